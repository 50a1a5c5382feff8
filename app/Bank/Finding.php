<?php

declare(strict_types=1);

namespace Zetema\App\Bank;

use Doctrine\DBAL\Connection;
use Zetema\App\Bank\Pool\Pools;
use Zetema\App\Bank\Question\Listing\SearchIndex;
use Zetema\App\Shared\Dialect\Dialects;
use Zetema\App\Shared\Row;

/** Anything of a bank by typing a few letters of it: questions, objectives, pools, pages, assessments, people; the nearest first. */
final readonly class Finding
{
    private const EACH = 6;
    private const LONGEST = 200;

    public function __construct(private Connection $db, private Pools $pools)
    {
    }

    /** @return list<array{what: string, id: int, words: string, more: string}> */
    public function of(Bank $bank, string $typed): array
    {
        $typed = mb_substr(trim($typed), 0, self::LONGEST);
        if ($typed === '') {
            return [];
        }
        $like = '%' . addcslashes($typed, '%_\\') . '%';
        $begins = addcslashes($typed, '%_\\') . '%';
        $named = static fn (
            string $what,
            string $table,
            string $words,
            string $more,
        ): string => "SELECT '$what' AS what, id, $words AS words, $more AS more FROM $table WHERE bank_id = :bank AND $words LIKE :like ESCAPE '\\' ORDER BY $words NOT LIKE :begins ESCAPE '\\', $words LIMIT " .
            self::EACH;
        $found = [];
        foreach (
            [
                $named('objective', 'objective', 'name', 'path'),
                $named('assessment', 'blueprint', 'title', "''"),
                $named('page', 'page', 'COALESCE(heading, name)', 'name'),
                $named('pool', 'pool', 'name', "''"),
                $named('question', 'question', 'name', 'excerpt'),
            ] as $sql
        ) {
            array_push($found, ...$this->rows($sql, ['bank' => $bank->id, 'like' => $like, 'begins' => $begins]));
        }
        $found = array_map(
            fn (array $one): array => $one['what'] === 'pool' ? [...$one, 'more' => $this->pools->size($bank, $one['id'])] : $one,
            $found,
        );
        array_push(
            $found,
            ...$this->rows(
                "SELECT 'person' AS what, id, name AS words, role AS more FROM account WHERE role <> 'candidate' AND name LIKE :like ESCAPE '\\' ORDER BY name LIMIT " .
                    self::EACH,
                ['like' => $like],
            ),
        );
        $search = SearchIndex::query($bank->id, $typed);
        if ($search !== null) {
            $words = Dialects::of($this->db)->words();
            $sql =
                "SELECT 'question' AS what, q.id, q.excerpt AS words, COALESCE(q.name, '') AS more FROM {$words->alongFrom()} q WHERE {$words->alongWhere(
                    ':search',
                )} ORDER BY {$words->order()} LIMIT " . self::EACH;
            $known = array_column(array_filter($found, static fn (array $one): bool => $one['what'] === 'question'), 'id');
            array_push(
                $found,
                ...array_filter(
                    $this->rows($sql, ['search' => $search]),
                    static fn (array $one): bool => !in_array($one['id'], $known, true),
                ),
            );
        }

        return $found;
    }

    /**
     * @param array<string, int|string> $values
     *
     * @return list<array{what: string, id: int, words: string, more: string}>
     */
    private function rows(string $sql, array $values): array
    {
        $text = static fn (mixed $value): string => is_string($value) ? $value : '';

        return array_map(
            static fn (array $row): array => [
                'what' => $text($row['what']),
                'id' => Row::int($row['id']),
                'words' => $text($row['words']),
                'more' => $text($row['more']),
            ],
            $this->db->fetchAllAssociative($sql, $values),
        );
    }
}
