<?php

declare(strict_types=1);

namespace Zetema\Core\Blueprint\Reading;

use Zetema\Core\Blueprint\Blueprint;

/** The first version of a blueprint: draws and questions in one list. It is read as one section with steps called 1, 2, 3, and so on. */
final class VersionOne
{
    public const SECTION = 'all';

    /** @return mixed the same as a document of this version; anything else as it is */
    public static function raised(mixed $document): mixed
    {
        if (
            !is_array($document) ||
            ($document !== [] && array_is_list($document)) ||
            ($document['v'] ?? 1) !== 1 ||
            isset($document['sections'])
        ) {
            return $document;
        }
        $steps = [];
        foreach (is_array($document['steps'] ?? null) ? array_values($document['steps']) : [] as $i => $step) {
            $steps[] = is_array($step) ? ['id' => (string) ($i + 1), ...self::step($step)] : $step;
        }
        $title = $document['title'] ?? '';
        unset($document['steps'], $document['title'], $document['v']);

        return ['v' => Blueprint::VERSION, 'title' => $title, ...$document, 'sections' => [['id' => self::SECTION, 'steps' => $steps]]];
    }

    /**
     * @param array<array-key, mixed> $step
     *
     * @return array<array-key, mixed>
     */
    private static function step(array $step): array
    {
        $draw = $step['draw'] ?? null;
        if (!is_array($draw) || !isset($draw['points'])) {
            return $step;
        }
        $points = $draw['points'];
        unset($draw['points']);

        return [...$step, 'draw' => $draw, 'settings' => ['points' => $points]];
    }
}
