<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\Candidate;

use Zetema\Core\Marking\Scoring\Finder;
use Zetema\Core\Question\Answers\Choice;
use Zetema\Core\Question\Feedback\Outcome;
use Zetema\Core\Question\Response\ChosenChoices;
use Zetema\Core\Question\Response\FilledParts;
use Zetema\Core\Question\Response\Response;
use Zetema\Core\Question\Scoring\Criterion;
use Zetema\Core\Question\Scoring\Scoring;
use Zetema\Core\Question\Scoring\ShareRule;
use Zetema\Core\Question\Scoring\Sought\PartTakes;
use Zetema\Core\Sitting\Paper\PageAnswers;
use Zetema\Core\Sitting\Paper\QuestionPlace;

/**
 * The outcomes that stand beside single answers once a response was marked. Where one is chosen, its outcome is that of the whole; of
 * several, and of parts, each has its own, which tells the key, as do right answers that were not chosen: both only where the key is told.
 */
final readonly class AtAnswers
{
    /** @return list<array{n: int, outcome: string}> by their places on the candidate's page */
    public static function of(QuestionPlace $place, PageAnswers $page, Response $response, Outcome $outcome, bool $withKey): array
    {
        $kind = $place->question->kind;
        if ($outcome === Outcome::Recorded) {
            return [];
        }
        if ($withKey && $response instanceof FilledParts) {
            return self::told(self::ofParts($place->plan->scoring, $response), $page->placeOfPart(...));
        }
        $chosen = ChosenChoices::in($response);
        $keys = array_map(
            static fn (Choice $choice): int => $choice->id,
            array_filter($kind->choices(), static fn (Choice $choice): bool => $choice->isKey),
        );
        $outcomes = [];
        foreach ($chosen as $id) {
            if ($kind::id()->facts()->choosesOne) {
                $outcomes[$id] = $outcome;
            } elseif ($withKey && $keys !== []) {
                $outcomes[$id] = in_array($id, $keys, true) ? Outcome::Right : Outcome::Wrong;
            }
        }
        foreach ($withKey ? array_diff($keys, $chosen) : [] as $id) {
            $outcomes[$id] = Outcome::Right;
        }

        return self::told($outcomes, $page->placeOf(...));
    }

    /** @return array<int, Outcome> by the part */
    private static function ofParts(Scoring $scoring, FilledParts $response): array
    {
        return array_map(
            static fn (Criterion $found): Outcome => match (true) {
                $found->find instanceof PartTakes && $found->find->values === null => Outcome::Wrong,
                $scoring->rule === ShareRule::Weights, $found->right->isEqualTo(1) => Outcome::Right,
                default => $found->right->isZero() ? Outcome::Wrong : Outcome::Partly,
            },
            (new Finder())->byPart($scoring, $response),
        );
    }

    /**
     * @param array<int, Outcome> $outcomes
     * @param callable(int): int $place on the page
     *
     * @return list<array{n: int, outcome: string}>
     */
    private static function told(array $outcomes, callable $place): array
    {
        return array_map(
            static fn (int $of, Outcome $one): array => ['n' => $place($of), 'outcome' => $one->value],
            array_keys($outcomes),
            $outcomes,
        );
    }
}
