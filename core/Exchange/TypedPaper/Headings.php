<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\TypedPaper;

use Zetema\Core\Exchange\Aside;
use Zetema\Core\Exchange\TypedPaper\Keys\KeyList;
use Zetema\Core\Exchange\Written\Characters;

/** Gives the questions below headings their objectives. */
final class Headings
{
    /**
     * @param list<Draft|Heading|KeyList> $parts of a paper
     *
     * @return list<Aside> headings that name no objective: a title, or nothing but kinds and counts
     */
    public function spread(array $parts): array
    {
        $aside = [];
        $title = self::title($parts);
        /** @var array<int, list<string>> $open names by rank */
        $open = [];
        $each = null;
        foreach ($parts as $part) {
            if ($part instanceof Draft) {
                $part->objective = array_merge(...array_values($open));
                $part->each = $each;
            } elseif ($part instanceof Heading) {
                $each = $part->each;
                if ($part === $title || $part->isOfKinds) {
                    $aside[] = new Aside($part->line->number, Characters::tidy($part->line->text()));
                    continue;
                }
                $open = $part->isWholePath
                    ? []
                    : array_filter($open, static fn (int $rank): bool => $rank < $part->rank, ARRAY_FILTER_USE_KEY);
                $open[$part->rank] = $part->path;
            }
        }

        return $aside;
    }

    /**
     * The first heading, if it is the only one of its rank and a lower one follows before any question.
     *
     * @param list<Draft|Heading|KeyList> $parts
     */
    private static function title(array $parts): ?Heading
    {
        $headings = array_values(array_filter($parts, static fn (Draft|Heading|KeyList $part): bool => $part instanceof Heading));
        $first = $headings[0] ?? null;
        if ($first === null || count(array_filter($headings, static fn (Heading $h): bool => $h->rank === $first->rank)) > 1) {
            return null;
        }
        $seen = false;
        foreach ($parts as $part) {
            if ($part === $first) {
                $seen = true;
            } elseif ($part instanceof Draft) {
                return null;
            } elseif ($seen && $part instanceof Heading && $part->rank > $first->rank) {
                return $first;
            }
        }

        return null;
    }
}
