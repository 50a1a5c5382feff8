<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Qti\Package;

use Zetema\Core\Exchange\Qti\Xml\Element;

/** What the metadata of a resource say that a question has here: tags, difficulty, the objective. All else is house-keeping. */
final class Metadata
{
    private const DIFFICULTIES = [
        'very easy' => 'easy',
        'easy' => 'easy',
        'medium' => 'medium',
        'difficult' => 'hard',
        'very difficult' => 'hard',
    ];

    /** @return list<string> */
    public static function tags(Element $resource): array
    {
        return array_values(
            array_unique(
                array_filter(
                    array_map(
                        static fn (Element $k): string => str_replace(',', ' ', self::words($k)),
                        $resource->child('metadata')?->below('keyword') ?? [],
                    ),
                    static fn (string $t): bool => $t !== '',
                ),
            ),
        );
    }

    public static function difficulty(Element $resource): ?string
    {
        foreach ($resource->child('metadata')?->below('difficulty') ?? [] as $difficulty) {
            return self::DIFFICULTIES[strtolower(self::words($difficulty->child('value') ?? $difficulty))] ?? null;
        }

        return null;
    }

    /** @return list<string> path from the top */
    public static function objective(Element $resource): array
    {
        foreach ($resource->child('metadata')?->below('classification') ?? [] as $classification) {
            $purpose = $classification->child('purpose');
            $path = $classification->child('taxonPath', 'taxonpath');
            if (
                $path !== null &&
                $purpose !== null &&
                strtolower(self::words($purpose->child('value') ?? $purpose)) === 'educational objective'
            ) {
                return array_values(
                    array_filter(
                        array_map(static fn (Element $t): string => self::words($t->child('entry') ?? $t), $path->children('taxon')),
                        static fn (string $t): bool => $t !== '',
                    ),
                );
            }
        }

        return [];
    }

    private static function words(Element $e): string
    {
        return trim(preg_replace('/\s+/', ' ', ($e->child('string', 'langstring') ?? $e)->text()) ?? '');
    }
}
