<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Question\Listing;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\DBAL\Connection;
use Zetema\App\Bank\Bank;
use Zetema\Core\Question\Alike;

/** Questions that ask the same or nearly the same: in the whole bank, and as one that is being written. Retired ones are left out. */
final readonly class AlikeQuestions
{
    /** Of a larger bank only stems that are the same are told, which an index gives. */
    private const MOST_COMPARED = 10_000;
    private const MOST_GROUPS = 100;
    private const NEAR_ONE = 5;

    public function __construct(private Connection $db)
    {
    }

    /** @return array{groups: list<list<array<string, mixed>>>, nearly: bool} nearly: whether nearly the same ones are among them */
    public function of(Bank $bank): array
    {
        $all = $this->db->fetchOne("SELECT COUNT(*) FROM question WHERE bank_id = ? AND status <> 'retired'", [$bank->id]);
        $nearly = is_numeric($all) && (int) $all <= self::MOST_COMPARED;
        $where = $nearly ? '' : " AND stem_key IN (SELECT stem_key FROM question WHERE bank_id = :bank AND stem_key <> '' AND status <> 'retired' GROUP BY stem_key HAVING COUNT(*) > 1 LIMIT " . self::MOST_GROUPS . ')';
        $stems = [];
        foreach ($this->db->iterateNumeric("SELECT id, stem_key FROM question WHERE bank_id = :bank AND status <> 'retired' AND stem_key <> ''$where ORDER BY id", ['bank' => $bank->id]) as [$id, $stem]) {
            $stems[is_numeric($id) ? (int) $id : 0] = is_string($stem) ? $stem : '';
        }
        $groups = array_slice(Alike::groups($stems), 0, self::MOST_GROUPS);
        $told = $this->told(array_merge([], ...array_map(static fn (array $group): array => array_column($group, 'id'), $groups)));

        return ['groups' => array_map(static fn (array $group): array => array_map(static fn (array $one): array => [...$told[$one['id']], 'percent' => $one['percent']], $group), $groups), 'nearly' => $nearly];
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
        $query = 'bank : b' . $bank->id . ' AND body : (' . implode(' OR ', array_map(static fn (string $word): string => '"' . $word . '"', array_slice($words, 0, 6))) . ')';
        $rows = $this->db->fetchAllKeyValue("SELECT q.id, q.stem_key FROM question_search s CROSS JOIN question q WHERE q.id = s.rowid AND question_search MATCH ? AND q.id <> ? AND q.status <> 'retired' ORDER BY bm25(question_search) LIMIT 60", [$query, $but]);
        $near = array_filter(array_map(static fn (mixed $key): int => Alike::percent($stem, is_string($key) ? $key : ''), $rows), static fn (int $percent): bool => $percent >= Alike::NEARLY);
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
            foreach ($this->db->fetchAllAssociative('SELECT q.id, q.name, q.kind, q.status, q.excerpt, q.worth, o.path AS objective FROM question q LEFT JOIN objective o ON o.id = q.objective_id WHERE q.id IN (?)', [$piece], [ArrayParameterType::INTEGER]) as $row) {
                $told[is_numeric($row['id']) ? (int) $row['id'] : 0] = $row;
            }
        }

        return $told;
    }
}
