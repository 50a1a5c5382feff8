<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Qti\Items;

use Zetema\Core\Exchange\Qti\Marks\Tried;
use Zetema\Core\Exchange\Qti\Variables\Value;
use Zetema\Core\Exchange\Qti\Xml\Element;

/** When an item shows its feedback, found by trying: with an answer, after an outcome, on an attempt, or when a choice is left alone. */
final class ItemFeedback
{
    /** @var array<int|string, string> what is said to answers */
    public array $says = [];
    /** @var list<array{string, string}> further lines: what stands before the colon, and the text */
    public array $lines = [];

    /**
     * @param list<Element> $feedback inline, block and modal
     * @param list<Tried> $tries
     * @param array<int, list<string>> $judged outcome of each try in our words, by attempt
     * @param array<int, list<array<string, Value|null>>> $outcomes of the item, by attempt and try
     * @param list<string> $identifiers of the choices, in order; none where answers are no choices
     */
    public function __construct(
        array $feedback,
        private readonly Context $context,
        private readonly array $tries,
        private readonly array $judged,
        private readonly array $outcomes,
        private readonly array $identifiers,
        private readonly bool $isClaim,
    ) {
        foreach ($feedback as $element) {
            $element->take();
            $text = $context->body->flow->blocks($element);
            $shown = $this->shown($element);
            if ($text !== '' && !$this->explains($element, $shown, $text)) {
                $context->listing->unmatched($element);
            }
            $element->takeWhole();
        }
    }

    /** @return array<int, list<bool>> by attempt and try */
    private function shown(Element $element): array
    {
        $variable = $element->attribute('outcomeIdentifier') ?? '';
        $identifier = $element->attribute('identifier') ?? '';
        $shows = ($element->attribute('showHide') ?? 'show') === 'show';

        return array_map(
            static fn (array $tries): array => array_map(
                static fn (array $o): bool => in_array($identifier, ($o[$variable] ?? null)?->texts() ?? [], true) === $shows,
                $tries,
            ),
            $this->outcomes,
        );
    }

    /** @param array<int, list<bool>> $shown */
    private function explains(Element $element, array $shown, string $text): bool
    {
        if (!in_array(true, array_merge(...$shown), true)) {
            return false;
        }
        $first = $shown[1];
        $sameOnAll = array_filter($shown, static fn (array $s): bool => $s !== $first) === [];
        $answer = $sameOnAll ? $this->answer($first) : null;
        $after = $this->after($shown);
        if ($answer !== null && ($after === null || (!$this->isClaim && $this->belongsTo($element, $answer)))) {
            $this->says[$answer] = $this->said($this->says[$answer] ?? '', $text);

            return true;
        }
        $head = $after ?? $this->note($shown);
        $heads = $head === null ? $this->severalOutcomes($first, $sameOnAll) : [$head];
        foreach ($heads as $head) {
            $known = array_search($head, array_column($this->lines, 0), true);
            if ($known === false) {
                $this->lines[] = [$head, $text];
            } else {
                $this->lines[$known][1] = $this->said($this->lines[$known][1], $text);
            }
        }

        return $heads !== [];
    }

    /**
     * Outcomes after any of which it is shown, as where the rules say “else”.
     *
     * @param list<bool> $shown
     *
     * @return list<string>
     */
    private function severalOutcomes(array $shown, bool $sameOnAll): array
    {
        $outcomes = [];
        foreach (['right', 'partly right', 'wrong', 'unanswered'] as $outcome) {
            $after = array_keys($this->judged[1], $outcome, true);
            $with = array_filter($after, static fn (int $try): bool => $shown[$try]);
            if ($with !== [] && count($with) < count($after)) {
                return [];
            }
            $outcomes = $with === [] ? $outcomes : [...$outcomes, 'if ' . $outcome];
        }

        return $sameOnAll ? $outcomes : [];
    }

    private function said(string $before, string $text): string
    {
        return $before === '' ? $text : $before . "\n\n" . $text;
    }

    private function belongsTo(Element $element, int|string $answer): bool
    {
        return $element->isInside('simpleChoice', 'hottext', 'inlineChoice') ||
            $element->attribute('identifier') === ($this->identifiers[is_int($answer) ? $answer - 1 : -1] ?? null);
    }

    /**
     * The answer that is in every try in which it is shown, and in no other.
     *
     * @param list<bool> $shown
     */
    private function answer(array $shown): int|string|null
    {
        $answers = array_values(array_unique(array_merge(...array_map(static fn (Tried $t): array => $t->given, $this->tries))));
        foreach ($answers as $answer) {
            foreach ($this->tries as $i => $tried) {
                if (in_array($answer, $tried->given, true) !== $shown[$i]) {
                    continue 2;
                }
            }

            return $answer;
        }

        return null;
    }

    /**
     * The outcome after which it is shown, on every attempt or on one.
     *
     * @param array<int, list<bool>> $shown
     */
    private function after(array $shown): ?string
    {
        foreach (['right', 'partly right', 'wrong', 'unanswered', 'recorded'] as $outcome) {
            $on = [];
            foreach ($shown as $attempt => $tries) {
                $after = array_map(static fn (string $judged): bool => $judged === $outcome, $this->judged[$attempt]);
                if ($tries === $after && in_array(true, $after, true)) {
                    $on[] = $attempt;
                } elseif (in_array(true, $tries, true)) {
                    continue 2;
                }
            }
            if ($on === array_keys($shown)) {
                return 'if ' . $outcome;
            }
            if (count($on) === 1) {
                return sprintf('if %s on attempt %d', $outcome, $on[0]);
            }
        }

        return null;
    }

    /**
     * The choice with which, or without which, it is shown.
     *
     * @param array<int, list<bool>> $shown
     */
    private function note(array $shown): ?string
    {
        if ($this->identifiers === []) {
            return null;
        }
        $on = array_keys(array_filter($shown, static fn (array $tries): bool => in_array(true, $tries, true)));
        $attempt = count($on) === 1 && count($shown) > 1 ? ' on attempt ' . $on[0] : '';
        if ($attempt === '' && count($on) < count($shown)) {
            return null;
        }
        foreach (array_keys($this->identifiers) as $i) {
            foreach ([true, false] as $chosen) {
                foreach ([true, false] as $blankToo) {
                    $fits = true;
                    foreach ($this->tries as $t => $tried) {
                        $holds = in_array($i + 1, $tried->given, true) === $chosen && ($blankToo || $tried->response !== null);
                        $fits = $fits && $shown[$on[0]][$t] === $holds;
                    }
                    if ($fits) {
                        return sprintf('note when %schosen %d%s', $chosen ? '' : 'not ', $i + 1, $attempt);
                    }
                }
            }
        }

        return null;
    }
}
