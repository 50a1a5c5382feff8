<?php

declare(strict_types=1);

namespace Zetema\Core\Marking\Scoring;

use Zetema\Core\Numbers\NumberReader;
use Zetema\Core\Question\Response\ChosenChoices;
use Zetema\Core\Question\Response\ClickedPoints;
use Zetema\Core\Question\Response\FilledParts;
use Zetema\Core\Question\Response\OrderedItems;
use Zetema\Core\Question\Response\Response;
use Zetema\Core\Question\Response\TypedText;
use Zetema\Core\Question\Scoring\Criterion;
use Zetema\Core\Question\Scoring\Look;
use Zetema\Core\Question\Scoring\Scoring;
use Zetema\Core\Question\Scoring\Sought\InSpan;
use Zetema\Core\Question\Scoring\Sought\IsChosen;
use Zetema\Core\Question\Scoring\Sought\IsLeft;
use Zetema\Core\Question\Scoring\Sought\Pattern;
use Zetema\Core\Question\Scoring\Sought\Wording;

/** Finds the criteria of a plan in a response. */
final class Finder
{
    /** @var \WeakMap<Scoring, TextMatcher> what was folded for a measure's wordings is kept with it */
    private \WeakMap $matchers;

    /** @var \WeakMap<Scoring, NumberReader> */
    private \WeakMap $readers;

    public function __construct()
    {
        $this->matchers = new \WeakMap();
        $this->readers = new \WeakMap();
    }

    /** @return list<Criterion> */
    public function found(Scoring $scoring, Response $response): array
    {
        return match ($scoring->look) {
            Look::Choices => self::choices($scoring->criteria, ChosenChoices::in($response)),
            Look::Text => $this->wording($scoring, TypedText::in($response) ?? ''),
            Look::Number => $this->span($scoring, TypedText::in($response) ?? ''),
            Look::Parts => array_values($this->byPart($scoring, $response)),
            Look::Order => OrderFinder::found($scoring->criteria, OrderedItems::in($response)),
            Look::Points => AreaFinder::found($scoring->criteria, ClickedPoints::in($response)),
        };
    }

    /** @return array<int, Criterion> for each part that was filled the criterion found, where the kind is one of parts */
    public function byPart(Scoring $scoring, Response $response): array
    {
        return PartsFinder::found($scoring, FilledParts::in($response), $this->matcher($scoring));
    }

    /** @return list<int> the parts that were filled with something that counts, in their order */
    public function fitting(Scoring $scoring, Response $response): array
    {
        $fitting = array_keys(
            array_filter(
                $this->byPart($scoring, $response),
                static fn (Criterion $found): bool => $found->right->isPositive() || $found->weight->isPositive(),
            ),
        );
        sort($fitting);

        return $fitting;
    }

    /**
     * @param list<Criterion> $criteria
     * @param list<int> $chosen
     *
     * @return list<Criterion>
     */
    private static function choices(array $criteria, array $chosen): array
    {
        return array_values(
            array_filter(
                $criteria,
                static fn (Criterion $criterion): bool => match (true) {
                    $criterion->find instanceof IsChosen => in_array($criterion->find->choice, $chosen, true),
                    $criterion->find instanceof IsLeft => !in_array($criterion->find->choice, $chosen, true),
                    default => false,
                },
            ),
        );
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
            $fit = match (true) {
                $criterion->find instanceof Pattern => $matcher->fitsPattern($text, $criterion->find->pattern) ? TextMatcher::PATTERN : 0,
                $criterion->find instanceof Wording => $matcher->fit($text, $criterion->find->wording),
                default => 0,
            };
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
        if ($number === null || !$number->meets(is_string($figures = $scoring->options['figures'] ?? '') ? $figures : '')) {
            return [];
        }
        $best = null;
        foreach ($scoring->criteria as $criterion) {
            if (
                $criterion->find instanceof InSpan &&
                $criterion->find->contains($number->value) &&
                ($best === null || $criterion->right->isGreaterThan($best->right))
            ) {
                $best = $criterion;
            }
        }

        return $best === null ? [] : [$best];
    }

    private function matcher(Scoring $scoring): TextMatcher
    {
        return $this->matchers[$scoring] ??= TextMatcher::of($scoring->options);
    }
}
