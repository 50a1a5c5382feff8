<?php

declare(strict_types=1);

namespace Zetema\Core\Marking;

use Zetema\Core\Question\Outcome;
use Zetema\Core\Question\OutcomeText;
use Zetema\Core\Question\Question;
use Zetema\Core\Question\Response;

/** What is said after a marked response: the outcome's text, then what the choices say, then the notes (sitting.md). */
final readonly class FeedbackChooser
{
    /**
     * What the author wrote for this case; empty where nothing was written, then the facts stand alone.
     *
     * @param int|null $attemptsLeft null: any number
     *
     * @return list<string> paragraphs in the small Markdown
     */
    public function texts(Question $question, Response $response, Verdict $verdict, int $attempt, ?int $attemptsLeft): array
    {
        $texts = [$this->outcomeText($question, $verdict, $attempt, $attemptsLeft)];
        foreach ($question->kind->choices() as $choice) {
            $chosen = in_array($choice->id, $response->chosen, true);
            if ($chosen && $choice->says !== null) {
                $texts[] = $choice->says;
            }
        }
        $texts[] = $this->wordingSays($question, $response);
        foreach ($question->notes as $note) {
            $choice = $question->kind->choices()[$note->choice - 1] ?? null;
            $chosen = $choice !== null && in_array($choice->id, $response->chosen, true);
            if ($chosen === $note->chosen && ($note->attempt === null || $note->attempt === $attempt)) {
                $texts[] = $note->text;
            }
        }

        return array_values(array_filter($texts, static fn (?string $text): bool => $text !== null && $text !== '' && $text !== '–'));
    }

    private function outcomeText(Question $question, Verdict $verdict, int $attempt, ?int $attemptsLeft): ?string
    {
        $last = $attemptsLeft === 0;
        $best = null;
        foreach ($question->outcomeTexts as $text) {
            if ($text->outcome === $verdict->outcome && $text->text !== '' && ($rank = self::rank($text, $attempt, $last)) > 0
                && ($best === null || $rank > self::rank($best, $attempt, $last))) {
                $best = $text;
            }
        }

        return $best?->text;
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
            Outcome::Wrong => 'Wrong.' . $leftNow,
            Outcome::Unanswered => 'Left blank.',
            Outcome::OutOfTime => 'Time ran out.',
            Outcome::Recorded => 'Recorded.',
        };
    }

    private function wordingSays(Question $question, Response $response): ?string
    {
        $kind = $question->kind;
        if ($response->text === null) {
            return null;
        }
        $measure = $kind->measure($question->effective());
        $found = (new Finder())->found($measure, $response)[0] ?? null;
        $n = $found?->find['n'] ?? null;
        if (!is_int($n)) {
            return null;
        }

        return match (true) {
            $kind instanceof \Zetema\Core\Question\Kinds\Text => $kind->wordings[$n - 1]->says ?? null,
            $kind instanceof \Zetema\Core\Question\Kinds\Number => $kind->spans[$n - 1]->says ?? null,
            default => null,
        };
    }
}
