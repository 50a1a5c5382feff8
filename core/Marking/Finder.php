<?php

declare(strict_types=1);

namespace Zetema\Core\Marking;

use Brick\Math\BigRational;
use Zetema\Core\Question\Atom;
use Zetema\Core\Question\Measure;
use Zetema\Core\Question\Response;

/** Finds the atoms of a plan in a response. */
final class Finder
{
    /** @var \WeakMap<Measure, TextMatcher> what was folded for a measure's wordings is kept with it */
    private \WeakMap $matchers;

    /** @var \WeakMap<Measure, NumberReader> */
    private \WeakMap $readers;

    /** @var \WeakMap<Atom, array{BigRational|null, BigRational|null}> ends of spans */
    private \WeakMap $ends;

    public function __construct()
    {
        $this->matchers = new \WeakMap();
        $this->readers = new \WeakMap();
        $this->ends = new \WeakMap();
    }

    /** @return list<Atom> */
    public function found(Measure $measure, Response $response): array
    {
        return match ($measure->look) {
            Measure::LOOK_CHOICES => self::choices($measure->atoms, $response),
            Measure::LOOK_TEXT => $this->wording($measure, $response->text ?? ''),
            Measure::LOOK_NUMBER => $this->span($measure, $response->text ?? ''),
            Measure::LOOK_PARTS => PartsFinder::found($measure, $response->map, $this->matcher($measure)),
            Measure::LOOK_ORDER => OrderFinder::found($measure->atoms, $response->order),
            default => PointsFinder::found($measure->atoms, $response->clicks),
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
        $best = self::bestWording($this->matcher($measure), $measure->atoms, $text);

        return $best === null ? [] : [$best];
    }

    /** @param list<Atom> $atoms with a wording or a pattern */
    public static function bestWording(TextMatcher $matcher, array $atoms, string $text): ?Atom
    {
        $best = null;
        $rank = 0;
        foreach ($atoms as $atom) {
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

        return $best;
    }

    /** @return list<Atom> the span with the highest share, the first written of equals */
    private function span(Measure $measure, string $text): array
    {
        $number = ($this->readers[$measure] ??= NumberReader::of($measure->options))->read($text);
        if ($number === null || !$number->meets(self::string($measure->options['figures'] ?? ''))) {
            return [];
        }
        $best = null;
        foreach ($measure->atoms as $atom) {
            if ($this->within($atom, $number->value) && ($best === null || $atom->right->isGreaterThan($best->right))) {
                $best = $atom;
            }
        }

        return $best === null ? [] : [$best];
    }

    private function within(Atom $atom, BigRational $value): bool
    {
        [$from, $to] = $this->ends[$atom] ??= array_map(
            static fn (string $end): ?BigRational => isset($atom->find[$end]) ? BigRational::of(self::string($atom->find[$end])) : null,
            ['from', 'to'],
        );
        $above = $from === null ? 1 : $value->compareTo($from);
        $below = $to === null ? 1 : $to->compareTo($value);

        return ($above > 0 || ($above === 0 && $atom->find['fromIncluded'] === true)) && ($below > 0 || ($below === 0 && $atom->find['toIncluded'] === true));
    }

    private function matcher(Measure $measure): TextMatcher
    {
        return $this->matchers[$measure] ??= TextMatcher::of($measure->options);
    }

    private static function string(mixed $value): string
    {
        return is_string($value) ? $value : '';
    }
}
