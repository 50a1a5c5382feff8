<?php

declare(strict_types=1);

namespace Zetema\App\Results;

use Doctrine\DBAL\Connection;
use Zetema\App\Blueprint\Editions\Edition;
use Zetema\App\Delivery\Going;
use Zetema\App\Delivery\Sitting;
use Zetema\Core\Exchange\Table\CsvText;
use Zetema\Core\Question\Answers\AnswerLine;
use Zetema\Core\Question\Points;
use Zetema\Core\Question\Response\Response;
use Zetema\Core\Sitting\State\Standing;

/**
 * Results as tables to take along: a row for each sitting, or for each question that was asked in one. Ids are those of the database and
 * stay.
 */
final readonly class ResultTables
{
    private const SITTINGS = [
        'sitting',
        'login',
        'candidate',
        'edition',
        'began',
        'ended',
        'how',
        'seconds',
        'points',
        'max',
        'percent',
        'passed',
        'right',
        'asked',
        'missed minimums',
        'path',
    ];
    private const RESPONSES = [
        'sitting',
        'login',
        'edition',
        'number',
        'question',
        'revision',
        'name',
        'kind',
        'objective',
        'graded',
        'attempts',
        'hints',
        'seconds',
        'outcome',
        'points',
        'max',
        'response',
        'in words',
    ];

    public function __construct(private Connection $db, private Results $results, private EndedSittings $ended)
    {
    }

    /** @return \Generator<string> lines of the table of sittings */
    public function sittings(Edition $edition): \Generator
    {
        yield CsvText::toldRow([
            ...self::SITTINGS,
            ...array_merge(...array_map(static fn (string $tally): array => [$tally, "$tally, band"], Results::tallies($edition))),
        ]);
        foreach ($this->results->all($edition) as $row) {
            /** @var list<array{tally: string, value: int, band: string|null}> $bands */
            $bands = $row['bands'];
            /** @var list<string> $missed */
            $missed = $row['missed'];
            $passed = $row['passed'];
            yield CsvText::toldRow([
                ...self::texts(
                    $row['id'],
                    $row['login'],
                    $row['candidate'],
                    $edition->number,
                    $row['began'],
                    $row['ended'],
                    $row['how'],
                    $row['seconds'],
                    $row['earned'],
                    $row['max'],
                    $row['percent'],
                ),
                $passed === null ? '' : ($passed === true ? 'yes' : 'no'),
                ...self::texts($row['right'], $row['asked']),
                implode('; ', $missed),
                ...self::texts($row['path']),
                ...array_merge(...array_map(static fn (array $band): array => self::texts($band['value'], $band['band']), $bands)),
            ]);
        }
    }

    /**
     * @return \Generator<string> lines of the table of responses, those of a sitting together: the mark that stands of each question that
     *   was asked
     */
    public function responses(Edition $edition): \Generator
    {
        yield CsvText::toldRow(self::RESPONSES);
        $known = $this->db->fetchAllAssociativeIndexed(
            'SELECT e.revision_id, q.id, q.name, r.number FROM edition_question e JOIN question q ON q.id = e.question_id JOIN revision r ON r.id = e.revision_id WHERE e.edition_id = ?',
            [$edition->id],
        );
        $number = $edition->number;
        foreach ($this->ended->of($edition) as [$sitting, $going]) {
            yield implode('', iterator_to_array(self::ofSitting($sitting, $going, $number, $known), false));
        }
    }

    /**
     * @param array<array-key, array<string, mixed>> $known id and name of the question and number of the revision, by the revision's id
     *
     * @return \Generator<string>
     */
    private static function ofSitting(Sitting $sitting, Going $going, int $edition, array $known): \Generator
    {
        foreach ($going->state->asked as $i => $id) {
            $place = $going->paper->questions[$id];
            $visit = $going->state->visit($id);
            $standing = Standing::of($place, $visit);
            $response = $standing->mark->response ?? Response::blank();
            $of = $known[$sitting->revisionOf($place->name)] ?? [];
            $took = $going->state->took($place, $going->paper);
            $seconds = $took === null ? null : Points::cut($took->exact(), 1);
            yield CsvText::toldRow(
                self::texts(
                    $sitting->id,
                    $sitting->account->login,
                    $edition,
                    $i + 1,
                    $of['id'] ?? null,
                    $of['number'] ?? null,
                    $of['name'] ?? null,
                    $place->question->kind::id()->value,
                    implode(' > ', $place->question->objective),
                    $place->plan->counts() ? 'yes' : 'no',
                    count($visit->allMarks()),
                    $visit->hints,
                    $seconds,
                    $standing?->outcome->value,
                    $standing === null ? null : (string) $standing->mark->verdict->earned,
                    (string) $place->plan->max(),
                    $response->isBlank()
                        ? null
                        : json_encode($response->toData(), JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES),
                    implode('; ', AnswerLine::texts($place->question->kind->inWords($response, false))),
                ),
            );
        }
    }

    /** @return list<string> */
    private static function texts(mixed ...$cells): array
    {
        return array_values(
            array_map(static fn (mixed $cell): string => is_scalar($cell) || $cell instanceof \Stringable ? (string) $cell : '', $cells),
        );
    }
}
