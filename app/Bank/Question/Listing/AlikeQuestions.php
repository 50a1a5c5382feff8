<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Question\Listing;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use Zetema\App\Bank\Assessments;
use Zetema\App\Bank\Bank;
use Zetema\App\Bank\Question\Question;
use Zetema\App\Shared\Dialect\Dialects;
use Zetema\App\Shared\Row;
use Zetema\Core\Data\Fields;
use Zetema\Core\Question\Alike;
use Zetema\Core\Question\Answers\AnswerLine;
use Zetema\Core\Question\Answers\Choice;
use Zetema\Core\Question\Kinds\KindId;

/** Questions that ask the same or nearly the same: in the whole bank, and as one that is being written. Retired ones are left out. */
final readonly class AlikeQuestions
{
    /** Of a larger bank only stems that are the same are told, which an index gives. */
    private const MOST_COMPARED = 10_000;
    private const MOST_GROUPS = 100;
    private const NEAR_ONE = 5;

    public function __construct(private EntityManagerInterface $em, private Connection $db, private Assessments $assessments)
    {
    }

    /**
     * @param bool $byAnswers whether what they offer or take as answers is compared, and not what they ask
     *
     * @return array{groups: list<list<array<string, mixed>>>, nearly: bool, complete: bool} nearly: whether nearly the same ones are among
     *   them; complete: whether all were compared
     */
    public function of(Bank $bank, bool $byAnswers = false): array
    {
        $all = $this->db->fetchOne("SELECT COUNT(*) FROM question WHERE bank_id = ? AND status <> 'retired'", [$bank->id]);
        $nearly = is_numeric($all) && (int) $all <= self::MOST_COMPARED;
        if ($byAnswers) {
            return $this->grouped($nearly ? $this->answers($bank) : [], $nearly);
        }
        $where = $nearly
            ? ''
            : " AND stem_key IN (SELECT stem_key FROM question WHERE bank_id = :bank AND stem_key <> '' AND status <> 'retired' GROUP BY stem_key HAVING COUNT(*) > 1 LIMIT " .
                self::MOST_GROUPS .
                ')';
        $stems = [];
        foreach (
            $this->db->iterateNumeric(
                "SELECT id, stem_key FROM question WHERE bank_id = :bank AND status <> 'retired' AND stem_key <> ''$where ORDER BY id",
                ['bank' => $bank->id],
            ) as [$id, $stem]
        ) {
            $stems[Row::int($id)] = is_string($stem) ? $stem : '';
        }

        return $this->grouped($stems, $nearly);
    }

    /** @return array<int, string> all that stands in the answers of each, by id; claims offer the same two everywhere */
    private function answers(Bank $bank): array
    {
        $answers = [];
        foreach (
            $this->db->iterateNumeric(
                "SELECT q.id, q.kind, r.content FROM question q JOIN revision r ON r.id = q.newest_id WHERE q.bank_id = ? AND q.status <> 'retired' AND q.kind <> 'claim' ORDER BY q.id",
                [$bank->id],
            ) as [$id, $kind, $content]
        ) {
            $lists = KindId::tryFrom(is_string($kind) ? $kind : '')?->facts()->lists ?? [];
            $texts = [];
            $lines = array_intersect_key(Fields::ofJson(is_string($content) ? $content : '{}')->raw(), array_flip($lists));
            array_walk_recursive($lines, static function (mixed $value, int|string $field) use (&$texts): void {
                if (is_string($value) && $field !== 'says' && $field !== 'leadsTo') {
                    $texts[] = $value;
                }
            });
            $answers[Row::int($id)] = implode(' ', $texts);
        }

        return $answers;
    }

    /**
     * @param array<int, string> $texts by id
     *
     * @return array{groups: list<list<array<string, mixed>>>, nearly: bool, complete: bool}
     */
    private function grouped(array $texts, bool $nearly): array
    {
        $found = Alike::groups($texts);
        $groups = array_slice($found['groups'], 0, self::MOST_GROUPS);
        $told = $this->told(array_merge([], ...array_map(static fn (array $group): array => array_column($group, 'id'), $groups)));

        return [
            'groups' => array_map(
                static fn (array $group): array => array_map(
                    static fn (array $one): array => [...$told[$one['id']], 'percent' => $one['percent']],
                    $group,
                ),
                $groups,
            ),
            'nearly' => $nearly,
            'complete' => $found['complete'],
        ];
    }

    /**
     * Questions set beside each other: what they ask, their answers with what is key, and how many editions hold them.
     *
     * @param list<int> $ids
     *
     * @return list<array{id: int, stem: string, lines: list<array{text: string, isKey: bool}>, editions: int}>
     */
    public function beside(Bank $bank, array $ids): array
    {
        $beside = [];
        foreach ($this->em->getRepository(Question::class)->findBy(['bank' => $bank, 'id' => $ids], ['id' => 'ASC']) as $question) {
            $content = $question->newest()->isWhole() ? $question->newest()->question() : null;
            $choices = array_map(
                static fn (Choice $choice): array => ['text' => $choice->text, 'isKey' => $choice->isKey],
                $content?->kind->choices() ?? [],
            );
            $key = array_map(
                static fn (AnswerLine $line): array => [
                    'text' => ($line->before === null ? '' : $line->before . ': ') . $line->text,
                    'isKey' => true,
                ],
                $content?->kind->keyInWords() ?? [],
            );
            $beside[] = [
                'id' => $question->id,
                'stem' => $content->stem ?? $question->excerpt(),
                'lines' => $choices === [] ? $key : $choices,
                'editions' => $this->assessments->editionsWith($question->id),
            ];
        }

        return $beside;
    }

    /** @return list<array<string, mixed>> the nearest first */
    public function to(Bank $bank, string $stem, int $but): array
    {
        preg_match_all('/[\p{L}\p{N}]{3,}/u', mb_strtolower($stem), $words);
        $words = array_unique($words[0]);
        usort($words, static fn (string $a, string $b): int => mb_strlen($b) <=> mb_strlen($a));
        if (count($words) < 2) {
            return [];
        }
        $query =
            'bank : b' .
            $bank->id .
            ' AND body : (' .
            implode(' OR ', array_map(static fn (string $word): string => '"' . $word . '"', array_slice($words, 0, 6))) .
            ')';
        $index = Dialects::of($this->db)->words();
        $rows = $this->db->fetchAllKeyValue(
            "SELECT q.id, q.stem_key FROM {$index->alongFrom()} q WHERE {$index->alongWhere(
                '?',
            )} AND q.id <> ? AND q.status <> 'retired' ORDER BY {$index->nearest()} LIMIT 60",
            [$query, $but],
        );
        $near = array_filter(
            array_map(static fn (mixed $key): int => Alike::percent($stem, is_string($key) ? $key : ''), $rows),
            static fn (int $percent): bool => $percent >= Alike::NEARLY,
        );
        arsort($near);
        $near = array_slice($near, 0, self::NEAR_ONE, preserve_keys: true);
        $told = $this->told(array_map(intval(...), array_keys($near)));

        return array_map(static fn (int|string $id): array => [...$told[(int) $id], 'percent' => $near[$id]], array_keys($near));
    }

    /**
     * @param list<int> $ids
     *
     * @return array<int, array<string, mixed>> by id
     */
    private function told(array $ids): array
    {
        $told = [];
        foreach (array_chunk($ids, 500) as $piece) {
            foreach (
                $this->db->fetchAllAssociative(
                    'SELECT q.id, q.name, q.kind, q.status, q.excerpt, q.worth, o.path AS objective FROM question q LEFT JOIN objective o ON o.id = q.objective_id WHERE q.id IN (?)',
                    [$piece],
                    [ArrayParameterType::INTEGER],
                ) as $row
            ) {
                $told[Row::int($row['id'])] = $row;
            }
        }

        return $told;
    }
}
