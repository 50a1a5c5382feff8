<?php

declare(strict_types=1);

namespace Zetema\Core\Marking;

use Brick\Math\BigRational;
use Zetema\Core\Question\Atom;
use Zetema\Core\Question\Measure;
use Zetema\Core\Question\Response;

/** Finds the atoms of a plan in a response. */
final readonly class Finder
{
    /** @return list<Atom> */
    public function found(Measure $measure, Response $response): array
    {
        return match ($measure->look) {
            Measure::LOOK_CHOICES => self::choices($measure->atoms, $response),
            Measure::LOOK_TEXT => $this->wording($measure, $response->text ?? ''),
            default => $this->span($measure, $response->text ?? ''),
        };
    }

    /**
     * @param list<Atom> $atoms
     *
     * @return list<Atom>
     */
    private static function choices(array $atoms, Response $response): array
    {
        return array_values(array_filter($atoms, static fn (Atom $atom): bool => isset($atom->find['left'])
            ? !in_array($atom->find['left'], $response->chosen, true)
            : in_array($atom->find['chosen'] ?? null, $response->chosen, true)));
    }

    /**
     * The one wording that counts: the highest share; on equal shares exact before pattern before typo, then the first written.
     *
     * @return list<Atom>
     */
    private function wording(Measure $measure, string $text): array
    {
        $matcher = TextMatcher::of($measure->options);
        $best = null;
        $rank = 0;
        foreach ($measure->atoms as $atom) {
            $fit = isset($atom->find['pattern'])
                ? ($matcher->fitsPattern($text, self::string($atom->find['pattern'])) ? TextMatcher::PATTERN : 0)
                : $matcher->fit($text, self::string($atom->find['wording'] ?? ''));
            if ($fit === 0) {
                continue;
            }
            $order = $best === null ? 1 : $atom->right->compareTo($best->right);
            if ($order > 0 || ($order === 0 && $fit > $rank)) {
                $best = $atom;
                $rank = $fit;
            }
        }

        return $best === null ? [] : [$best];
    }

    /** @return list<Atom> the span with the highest share, the first written of equals */
    private function span(Measure $measure, string $text): array
    {
        $number = NumberReader::of($measure->options)->read($text);
        if ($number === null || !$number->meets(self::string($measure->options['figures'] ?? ''))) {
            return [];
        }
        $best = null;
        foreach ($measure->atoms as $atom) {
            if (self::within($atom->find, $number->value) && ($best === null || $atom->right->isGreaterThan($best->right))) {
                $best = $atom;
            }
        }

        return $best === null ? [] : [$best];
    }

    /** @param array<string, mixed> $find */
    private static function within(array $find, BigRational $value): bool
    {
        foreach (['from' => 1, 'to' => -1] as $end => $side) {
            if (isset($find[$end])) {
                $order = $value->compareTo(BigRational::of(self::string($find[$end]))) * $side;
                if ($order < 0 || ($order === 0 && $find[$end . 'Included'] !== true)) {
                    return false;
                }
            }
        }

        return true;
    }

    private static function string(mixed $value): string
    {
        return is_string($value) ? $value : '';
    }
}
