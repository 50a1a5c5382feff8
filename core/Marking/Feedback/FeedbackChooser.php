<?php

declare(strict_types=1);

namespace Zetema\Core\Marking\Feedback;

use Zetema\Core\Marking\Plan\MarkingPlan;
use Zetema\Core\Marking\Scoring\Finder;
use Zetema\Core\Marking\Verdict;
use Zetema\Core\Question\Feedback\Note;
use Zetema\Core\Question\Feedback\Outcome;
use Zetema\Core\Question\Feedback\OutcomeText;
use Zetema\Core\Question\Question;
use Zetema\Core\Question\Response\ChosenChoices;
use Zetema\Core\Question\Response\Response;

/** What is said after a marked response: the outcome's text, then what the choices say, then the notes (sitting.md). */
final readonly class FeedbackChooser
{
    /** What an author writes so that nothing is said. */
    private const NOTHING = '–';

    public function __construct(private Finder $finder = new Finder())
    {
    }

    /**
     * What is shown of the author's texts after a mark, the outcome's first; null in its place where the house's text shows.
     *
     * @param bool $isLast whether it was the last attempt there is
     * @param bool $counts whether the response counts: what came too late says nothing of its own
     *
     * @return list<string|null>
     */
    public function shown(
        Question $question,
        MarkingPlan $plan,
        Response $response,
        Verdict $verdict,
        int $attempt,
        bool $isLast,
        bool $counts = true,
    ): array {
        $outcome = self::said($question, $verdict, $attempt, $isLast);
        $texts = [];
        if ($counts) {
            $found = $response->isBlank() ? [] : $this->finder->found($plan->scoring, $response);
            $notes = array_filter(
                $question->notes,
                static fn (Note $note): bool => $note->isDue(ChosenChoices::in($response), $verdict->outcome, $attempt, $isLast),
            );
            $texts = [
                ...$question->kind->says($response, $found),
                ...array_map(static fn (Note $note): string => $note->text, array_values($notes)),
            ];
        }
        $texts = array_values(
            array_filter($texts, static fn (?string $text): bool => $text !== null && $text !== '' && $text !== self::NOTHING),
        );

        return $outcome === self::NOTHING ? $texts : [$outcome, ...$texts];
    }

    /**
     * The author's texts alone; empty where nothing was written, then the facts stand alone.
     *
     * @return list<string> paragraphs in the small Markdown
     */
    public function texts(Question $question, MarkingPlan $plan, Response $response, Verdict $verdict, int $attempt, bool $isLast): array
    {
        return array_values(array_filter($this->shown($question, $plan, $response, $verdict, $attempt, $isLast), is_string(...)));
    }

    /** What is said after an outcome alone; empty: nothing; null: the facts, since nobody wrote anything. */
    public static function afterOutcome(Question $question, Verdict $verdict, int $attempt, bool $isLast): ?string
    {
        $said = self::said($question, $verdict, $attempt, $isLast);

        return $said === self::NOTHING ? '' : $said;
    }

    private static function said(Question $question, Verdict $verdict, int $attempt, bool $isLast): ?string
    {
        $fitting = array_filter(
            $question->outcomeTexts,
            static fn (OutcomeText $t): bool => $t->outcome === $verdict->outcome &&
                $t->text !== '' &&
                self::rank($t, $attempt, $isLast) > 0,
        );
        usort(
            $fitting,
            static fn (OutcomeText $a, OutcomeText $b): int => self::rank($b, $attempt, $isLast) <=> self::rank($a, $attempt, $isLast),
        );

        return $fitting === [] ? null : $fitting[0]->text;
    }

    /** On the last attempt beats a number, a number beats any; 0: does not fit. */
    private static function rank(OutcomeText $text, int $attempt, bool $last): int
    {
        return match (true) {
            $text->onLast => $last ? 3 : 0,
            $text->attempt !== null => $text->attempt === $attempt ? 2 : 0,
            default => 1,
        };
    }

    /** The default text: facts only. @param int|null $left attempts left; null: any number */
    public function facts(Verdict $verdict, ?int $left): string
    {
        $of = $verdict->max->isZero() ? '.' : sprintf(': %s of %s.', str_replace('-', '−', (string) $verdict->earned), $verdict->max);
        $leftNow = match (true) {
            $left === null, $left === 0 => '',
            $left === 1 => ' One attempt left.',
            default => sprintf(' %d attempts left.', $left),
        };

        return match ($verdict->outcome) {
            Outcome::Right => 'Right' . $of,
            Outcome::Partly => 'Partly right' . $of . $leftNow,
            // What was lost is told; nothing earned says itself.
            Outcome::Wrong => 'Wrong' . ($verdict->earned->isNegative() ? $of : '.') . $leftNow,
            Outcome::Unanswered, Outcome::OutOfTime => rtrim(self::houseWords($verdict->outcome), '.') .
                ($verdict->earned->isNegative() ? $of : '.'),
            Outcome::Recorded => self::houseWords($verdict->outcome),
        };
    }

    /** What is said after an outcome where nothing was written, told to authors: numbers in words. */
    public static function houseWords(Outcome $outcome): string
    {
        return match ($outcome) {
            Outcome::Right => 'Right: all points.',
            Outcome::Partly => 'Partly right: so many points.',
            Outcome::Wrong => 'Wrong.',
            Outcome::Unanswered => 'Left blank.',
            Outcome::OutOfTime => 'Time ran out.',
            Outcome::Recorded => 'Recorded.',
        };
    }
}
