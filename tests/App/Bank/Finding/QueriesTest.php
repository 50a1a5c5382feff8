<?php

declare(strict_types=1);

namespace Zetema\Tests\App\Bank\Finding;

use Doctrine\DBAL\Connection;
use PHPUnit\Framework\Attributes\DataProvider;
use Zetema\Tests\App\ApiTestCase;

/** What is asked of the database for a screen does not grow with the bank: 5,000 questions with revisions of their own take as many queries as 90. */
final class QueriesTest extends ApiTestCase
{
    /** @return iterable<string, array{string, string, array<string, mixed>|null, int}> method, path, body, most queries */
    public static function requests(): iterable
    {
        yield 'list' => ['GET', '/api/banks/1/questions', null, 6];
        yield 'list of an objective and kind, by points' => ['GET', '/api/banks/1/questions?objective=4&kind=one&order=points', null, 8];
        yield 'search' => ['GET', '/api/banks/1/questions?search=hive', null, 6];
        yield 'board' => ['GET', '/api/banks/1/board', null, 10];
        yield 'proofreading' => ['GET', '/api/banks/1/proofreading', null, 9];
        yield 'blueprints' => ['GET', '/api/banks/1/blueprints', null, 5];
        yield 'a blueprint with its proof' => ['GET', '/api/blueprints/1', null, 17];
        yield 'a question' => ['GET', '/api/questions/16', null, 14];
        yield 'a question read from text' => ['POST', '/api/banks/1/intake/read', ['text' => "true: A drone has no sting.\n name: drone sting"], 5];
        yield 'a question read from text that the bank may nearly have' => ['POST', '/api/banks/1/intake/read', ['text' => 'true: A drone has neither sting nor wax glands.'], 7];
    }

    /** @param array<string, mixed>|null $body */
    #[DataProvider('requests')]
    public function test_a_large_bank_takes_no_more_queries_than_a_small_one(string $method, string $path, ?array $body, int $most): void
    {
        $this->logIn('orrell');
        $this->send($method, $path, $body);
        $few = $this->counted($method, $path, $body);
        $this->grow();
        $this->send($method, $path, $body);
        $many = $this->counted($method, $path, $body);

        self::assertLessThanOrEqual($few, $many);
        self::assertLessThanOrEqual($most, $many);
    }

    public function test_a_form_is_dealt_by_a_few_queries_for_each_question_picked(): void
    {
        $this->logIn('orrell');
        $this->grow();
        $this->send('POST', '/api/blueprints/1/deal', ['seed' => 1], 'Form');

        // The classes, fifteen picks and their revisions with question and objective.
        self::assertLessThan(70, $this->counted('POST', '/api/blueprints/1/deal', ['seed' => 2]));
    }

    public function test_a_save_asks_for_its_own_objective_and_not_for_the_tree(): void
    {
        $this->logIn('orrell');
        $question = $this->send('GET', '/api/questions/16', null, 'Question');
        $save = static fn (string $stem): array => [
            'version' => $question->integer('version'),
            'name' => $question->text('name'),
            'objective' => $question->text('objective'),
            'content' => [...$question->object('content')->raw(), 'stem' => $stem],
        ];

        self::assertLessThanOrEqual(32, $this->counted('PUT', '/api/questions/16', $save('How long is a queen with brood?')));
        foreach (self::getContainer()->get('doctrine.debug_data_holder')->getData()['default'] ?? [] as $query) {
            self::assertStringNotContainsString('ORDER BY t0.place', is_string($query['sql'] ?? null) ? $query['sql'] : '');
        }
    }

    /** @param array<string, mixed>|null $body */
    private function counted(string $method, string $path, ?array $body): int
    {
        self::getContainer()->get('doctrine')->getManager()->clear();
        $holder = self::getContainer()->get('doctrine.debug_data_holder');
        $holder->reset();
        $this->send($method, $path, $body);

        return count($holder->getData()['default'] ?? []);
    }

    /** Fifty-five more of each question, each with a revision and tags of its own. */
    private function grow(): void
    {
        $db = self::getContainer()->get(Connection::class);
        $db->executeStatement("WITH RECURSIVE n(i) AS (SELECT 1 UNION ALL SELECT i + 1 FROM n WHERE i < 55)
            INSERT INTO question (bank_id, objective_id, kind, status, excerpt, stem_key, worth, micro_points, newest_id)
            SELECT bank_id, objective_id, kind, status, excerpt || ' ' || i, stem_key || ' ' || i, worth, micro_points, newest_id FROM question, n WHERE bank_id = 1");
        $db->executeStatement('INSERT INTO revision (question_id, number, content, worth, objective_path, was_cleared, saved_at, author_id, bank_id, kind, difficulty, is_dealt)
            SELECT q.id, 1, r.content, r.worth, r.objective_path, 1, r.saved_at, r.author_id, r.bank_id, r.kind, r.difficulty, 1 FROM question q JOIN revision r ON r.id = q.newest_id WHERE r.question_id <> q.id');
        $db->executeStatement(
            'UPDATE question SET newest_id = (SELECT id FROM revision r WHERE r.question_id = question.id), cleared_id = (SELECT id FROM revision r WHERE r.question_id = question.id) WHERE cleared_id IS NULL AND id > 90',
        );
        self::assertGreaterThan(5_000, $db->fetchOne('SELECT COUNT(*) FROM revision'));
    }
}
