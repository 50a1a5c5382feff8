<?php

declare(strict_types=1);

namespace Zetema\Core\Marking\Scoring;

use Zetema\Core\Numbers\Ratio;
use Zetema\Core\Question\Response\Response;
use Zetema\Core\Question\Scoring\Criterion;
use Zetema\Core\Question\Scoring\Scoring;

/** Finds the criteria of a plan in a response. */
final class Finder
{
    /** @var \WeakMap<Scoring, TextMatcher> what was folded for a measure's wordings is kept with it */
    private \WeakMap $matchers;

    /** @var \WeakMap<Scoring, NumberReader> */
    private \WeakMap $readers;

    /** @var \WeakMap<Criterion, array{Ratio|null, Ratio|null}> ends of spans */
    private \WeakMap $ends;

    public function __construct()
    {
        $this->matchers = new \WeakMap();
        $this->readers = new \WeakMap();
        $this->ends = new \WeakMap();
    }

    /** @return list<Criterion> */
    public function found(Scoring $scoring, Response $response): array
    {
        return match ($scoring->look) {
            Scoring::LOOK_CHOICES => self::choices($scoring->criteria, $response),
            Scoring::LOOK_TEXT => $this->wording($scoring, $response->text ?? ''),
            Scoring::LOOK_NUMBER => $this->span($scoring, $response->text ?? ''),
            Scoring::LOOK_PARTS => PartsFinder::found($scoring, $response->map, $this->matcher($scoring)),
            Scoring::LOOK_ORDER => OrderFinder::found($scoring->criteria, $response->order),
            default => AreaFinder::found($scoring->criteria, $response->clicks),
        };
    }

    /**
     * @param list<Criterion> $criteria
     *
     * @return list<Criterion>
     */
    private static function choices(array $criteria, Response $response): array
    {
        return array_values(array_filter($criteria, static fn (Criterion $criterion): bool => isset($criterion->find['left'])
            ? !in_array($criterion->find['left'], $response->chosen, true)
            : in_array($criterion->find['chosen'] ?? null, $response->chosen, true)));
    }

    /**
     * The one wording that counts: the highest share; on equal shares exact before pattern before typo, then the first written.
     *
     * @return list<Criterion>
     */
    private function wording(Scoring $scoring, string $text): array
    {
        $best = self::bestWording($this->matcher($scoring), $scoring->criteria, $text);

        return $best === null ? [] : [$best];
    }

    /** @param list<Criterion> $criteria with a wording or a pattern */
    public static function bestWording(TextMatcher $matcher, array $criteria, string $text): ?Criterion
    {
        $best = null;
        $rank = 0;
        foreach ($criteria as $criterion) {
            $fit = isset($criterion->find['pattern'])
                ? ($matcher->fitsPattern($text, self::string($criterion->find['pattern'])) ? TextMatcher::PATTERN : 0)
                : $matcher->fit($text, self::string($criterion->find['wording'] ?? ''));
            if ($fit === 0) {
                continue;
            }
            $order = $best === null ? 1 : $criterion->right->compareTo($best->right);
            if ($order > 0 || ($order === 0 && $fit > $rank)) {
                $best = $criterion;
                $rank = $fit;
            }
        }

        return $best;
    }

    /** @return list<Criterion> the span with the highest share, the first written of equals */
    private function span(Scoring $scoring, string $text): array
    {
        $number = ($this->readers[$scoring] ??= NumberReader::of($scoring->options))->read($text);
        if ($number === null || !$number->meets(self::string($scoring->options['figures'] ?? ''))) {
            return [];
        }
        $best = null;
        foreach ($scoring->criteria as $criterion) {
            if ($this->within($criterion, $number->value) && ($best === null || $criterion->right->isGreaterThan($best->right))) {
                $best = $criterion;
            }
        }

        return $best === null ? [] : [$best];
    }

    private function within(Criterion $criterion, Ratio $value): bool
    {
        [$from, $to] = $this->ends[$criterion] ??= array_map(
            static fn (string $end): ?Ratio => isset($criterion->find[$end]) ? Ratio::of(self::string($criterion->find[$end])) : null,
            ['from', 'to'],
        );
        $above = $from === null ? 1 : $value->compareTo($from);
        $below = $to === null ? 1 : $to->compareTo($value);

        return ($above > 0 || ($above === 0 && $criterion->find['fromIncluded'] === true)) && ($below > 0 || ($below === 0 && $criterion->find['toIncluded'] === true));
    }

    private function matcher(Scoring $scoring): TextMatcher
    {
        return $this->matchers[$scoring] ??= TextMatcher::of($scoring->options);
    }

    private static function string(mixed $value): string
    {
        return is_string($value) ? $value : '';
    }
}
