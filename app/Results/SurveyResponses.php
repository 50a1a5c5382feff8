<?php

declare(strict_types=1);

namespace Zetema\App\Results;

use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use Zetema\App\Bank\Question\Revision;
use Zetema\App\Blueprint\Editions\Edition;
use Zetema\App\Shared\Row;
use Zetema\Core\Data\Fields;
use Zetema\Core\Question\Answers\AnswerLine;
use Zetema\Core\Question\Kinds\KindId;

/** What was given to the questions that are not graded, gathered over all ended sittings of an edition; nobody is named. */
final readonly class SurveyResponses
{
    /** So many different responses to a question are told; the others are counted together. */
    private const MOST = 40;

    public function __construct(private EndedSittings $ended, private Connection $db, private EntityManagerInterface $em)
    {
    }

    /**
     * @return list<array{question: string, kind: string, stem: string, asked: int, answered: int, given: list<array{words: string,
     *   count: int}>, others: int}> in the order in which they were first asked; who gave several choices counts at each
     */
    public function of(Edition $edition): array
    {
        $this->ended->settle($edition);
        $rows = $this->db->fetchAllAssociative(
            'SELECT revision_id AS revision, response, given AS n FROM survey_count WHERE edition_id = ? AND given > 0 ORDER BY first_mark',
            [$edition->id],
        );
        $questions = $given = [];
        foreach ($rows as $row) {
            $row = Fields::of($row);
            $revision = $this->em->find(Revision::class, $row->integer('revision')) ?? throw new \LogicException('what was asked is kept');
            $asked = Revision::dealt(Fields::of($revision->content()), null);
            $name = 'q' . $revision->question->id;
            $questions[$name] ??= [
                'question' => $name,
                'kind' => $asked->kind::id()->value,
                'stem' => $asked->stem,
                'asked' => 0,
                'answered' => 0,
            ];
            $questions[$name]['asked'] += $row->integer('n');
            if ($row->optionalText('response') === null) {
                continue;
            }
            $questions[$name]['answered'] += $row->integer('n');
            $response = $asked->kind->response(
                json_decode($row->text('response'), true, 64, JSON_THROW_ON_ERROR),
                $asked->effective($edition->bankSettings()),
                complete: false,
            );
            foreach (AnswerLine::texts($asked->kind->inWords($response, false)) as $words) {
                $given[$name][$words] = ($given[$name][$words] ?? 0) + $row->integer('n');
            }
        }

        return array_values(
            array_map(static function (array $question) use ($given): array {
                $all = $given[$question['question']] ?? [];
                // A scale stands in its own order; what was chosen or typed begins with what most gave.
                KindId::tryFrom(Row::text($question['kind']))?->facts()->isScale === true ? ksort($all, SORT_NUMERIC) : arsort($all);
                $few = array_slice($all, 0, self::MOST, true);

                return [
                    ...$question,
                    'given' => array_map(
                        static fn (string $words, int $count): array => ['words' => $words, 'count' => $count],
                        array_map(strval(...), array_keys($few)),
                        $few,
                    ),
                    'others' => array_sum($all) - array_sum($few),
                ];
            }, $questions),
        );
    }
}
