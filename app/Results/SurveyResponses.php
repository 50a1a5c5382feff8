<?php

declare(strict_types=1);

namespace Zetema\App\Results;

use Zetema\App\Blueprint\Editions\Edition;
use Zetema\Core\Question\Answers\AnswerLine;
use Zetema\Core\Question\Kinds\KindId;
use Zetema\Core\Question\Response\Response;
use Zetema\Core\Sitting\State\Standing;

/** What was given to the questions that are not graded, gathered over all ended sittings of an edition; nobody is named. */
final readonly class SurveyResponses
{
    /** So many different responses to a question are told; the others are counted together. */
    private const MOST = 40;

    public function __construct(private EndedSittings $ended)
    {
    }

    /** @return list<array{question: string, kind: string, stem: string, asked: int, answered: int, given: list<array{words: string, count: int}>, others: int}> in the order in which they were first asked; who gave several choices counts at each */
    public function of(Edition $edition): array
    {
        $questions = $given = [];
        foreach ($this->ended->of($edition) as [, $going]) {
            foreach ($going->state->asked as $id) {
                $place = $going->paper->questions[$id];
                if ($place->plan->counts()) {
                    continue;
                }
                $name = $place->name;
                $questions[$name] ??= ['question' => $name, 'kind' => $place->question->kind::id()->value, 'stem' => $place->question->stem, 'asked' => 0, 'answered' => 0];
                ++$questions[$name]['asked'];
                $response = Standing::of($place, $going->state->visit($id))->mark->response ?? Response::blank();
                if ($response->isBlank()) {
                    continue;
                }
                ++$questions[$name]['answered'];
                foreach (AnswerLine::texts($place->question->kind->inWords($response, false)) as $words) {
                    $given[$name][$words] = ($given[$name][$words] ?? 0) + 1;
                }
            }
        }

        return array_values(array_map(static function (array $question) use ($given): array {
            $all = $given[$question['question']] ?? [];
            // A scale stands in its own order; what was chosen or typed begins with what most gave.
            $question['kind'] === KindId::Rating->value ? ksort($all, SORT_NUMERIC) : arsort($all);
            $few = array_slice($all, 0, self::MOST, true);

            return [...$question, 'given' => array_map(static fn (string $words, int $count): array => ['words' => $words, 'count' => $count], array_map(strval(...), array_keys($few)), $few), 'others' => array_sum($all) - array_sum($few)];
        }, $questions));
    }
}
