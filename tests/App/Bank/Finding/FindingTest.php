<?php

declare(strict_types=1);

namespace Zetema\Tests\App\Bank\Finding;

use PHPUnit\Framework\Attributes\DataProvider;
use Zetema\App\Bank\Question\Listing\SearchIndex;
use Zetema\Core\Data\Fields;
use Zetema\Tests\App\ApiTestCase;

final class FindingTest extends ApiTestCase
{
    /** @return iterable<string, array{string, string|null}> typed, what comes first; null: nothing */
    public static function typed(): iterable
    {
        yield 'an objective by its beginning' => ['Reading a', 'objective: Reading a frame'];
        yield 'in the middle of its name, in any letters' => ['A FRAME', 'objective: Reading a frame'];
        yield 'an assessment' => ['spring pr', 'assessment: Spring practice'];
        yield 'a pool' => ['swarm sea', 'pool: Swarm season'];
        yield 'a person' => ['penh', 'person: S. Penhale'];
        yield 'a question by its name' => ['fresh eg', 'question: fresh eggs'];
        yield 'a question by words in it' => ['lid', 'question: two lids'];
        yield 'signs that mean something to the database stand for themselves' => ['%', null];
        yield 'quotation marks, too' => ["'\"", null];
        yield 'nothing' => ['  ', null];
        yield 'what is not there' => ['zeppelin', null];
    }

    #[DataProvider('typed')]
    public function test_anything_is_found_by_a_few_letters(string $typed, ?string $first): void
    {
        $this->logIn('penhale');
        $found = $this->send('GET', '/api/banks/1/find?typed=' . rawurlencode($typed), schema: 'Found')->objects('found');

        self::assertSame($first, $found === [] ? null : $found[0]->text('what') . ': ' . $found[0]->text('words'));
    }

    public function test_a_pool_is_found_with_its_size(): void
    {
        $this->logIn('orrell');
        $pool = $this->send('GET', '/api/banks/1/find?typed=swarm sea', schema: 'Found')->objects('found')[0];
        $told = array_values(array_filter($this->send('GET', '/api/banks/1/pools')->objects('pools'), static fn (Fields $one): bool => $one->text('name') === 'Swarm season'))[0];

        self::assertGreaterThan(1, $told->integer('cleared'));
        self::assertSame(sprintf('%d questions, %d can be drawn', $told->integer('questions'), $told->integer('cleared')), $pool->text('more'));
    }

    public function test_a_question_comes_once_though_name_and_text_fit(): void
    {
        $this->logIn('orrell');
        $found = $this->send('GET', '/api/banks/1/find?typed=queen', schema: 'Found')->objects('found');
        $ids = array_map(static fn (Fields $one): string => $one->text('what') . $one->integer('id'), $found);

        self::assertSame(array_values(array_unique($ids)), $ids);
        self::assertGreaterThan(3, count($ids));
    }

    public function test_only_in_its_own_bank(): void
    {
        $this->logIn('orrell');
        $other = $this->send('POST', '/api/banks', ['name' => 'Another'], 'Banks', 201)->integer('made');

        self::assertSame([], $this->send('GET', "/api/banks/$other/find?typed=queen", schema: 'Found')->objects('found'));
    }

    public function test_a_search_has_a_bound_whatever_is_pasted(): void
    {
        $terms = static fn (string $typed): int => intdiv(substr_count((string) SearchIndex::query(1, $typed), '"'), 2);
        self::assertSame(1, $terms(str_repeat('bees ', 200)));
        self::assertSame(1, $terms('Bees BEES bees'));
        self::assertSame(12, $terms(implode(' ', array_map(static fn (int $i): string => "w$i", range(1, 400)))));
        self::assertNull(SearchIndex::query(1, str_repeat(' ', 300) . 'bees'), 'what stands beyond 200 characters is not looked for');
    }
}
