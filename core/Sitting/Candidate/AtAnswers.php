<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\Candidate;

use Zetema\Core\Question\Answers\Choice;
use Zetema\Core\Question\Feedback\Outcome;
use Zetema\Core\Question\Kinds\Common\ChoiceKind;
use Zetema\Core\Question\Response\ChosenChoices;
use Zetema\Core\Question\Response\Response;
use Zetema\Core\Sitting\Paper\PageAnswers;
use Zetema\Core\Sitting\Paper\QuestionPlace;

/**
 * The outcomes that stand beside single answers once a response was marked. Where one is chosen, its outcome is that of the whole; of
 * several each has its own, which tells the key, as do right answers that were not chosen: both only where the key is told.
 */
final readonly class AtAnswers
{
    /** @return list<array{n: int, outcome: string}> by their places on the candidate's page */
    public static function of(QuestionPlace $place, PageAnswers $page, Response $response, Outcome $outcome, bool $withKey): array
    {
        $kind = $place->question->kind;
        if (!$kind instanceof ChoiceKind || $outcome === Outcome::Recorded) {
            return [];
        }
        $isOne = $kind::id()->facts()->choosesOne;
        $chosen = ChosenChoices::in($response);
        $keys = array_map(static fn (Choice $choice): int => $choice->id, array_filter($kind->choices, static fn (Choice $choice): bool => $choice->isKey));
        $outcomes = [];
        foreach ($chosen as $id) {
            if ($isOne) {
                $outcomes[$id] = $outcome;
            } elseif ($withKey && $keys !== []) {
                $outcomes[$id] = in_array($id, $keys, true) ? Outcome::Right : Outcome::Wrong;
            }
        }
        foreach ($withKey ? array_diff($keys, $chosen) : [] as $id) {
            $outcomes[$id] = Outcome::Right;
        }
        $told = [];
        foreach ($outcomes as $id => $one) {
            $told[] = ['n' => $page->placeOf($id), 'outcome' => $one->value];
        }

        return $told;
    }
}
