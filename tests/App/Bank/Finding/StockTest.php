<?php

declare(strict_types=1);

namespace Zetema\Tests\App\Bank\Finding;

use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use PHPUnit\Framework\Attributes\DataProvider;
use Zetema\App\Bank\Bank;
use Zetema\App\Bank\Question\Question;
use Zetema\App\Blueprint\BankStock;
use Zetema\App\Blueprint\Editions\Edition;
use Zetema\App\Blueprint\Stored\StoredStock;
use Zetema\Core\Drawing\Dealer;
use Zetema\Core\Drawing\DealingPlan;
use Zetema\Core\Drawing\Draw;
use Zetema\Core\Drawing\Proof\Proof;
use Zetema\Core\Drawing\Stock\EligibleQuestion;
use Zetema\Core\Drawing\Stock\ListedStock;
use Zetema\Core\Drawing\Stock\Pool;
use Zetema\Tests\App\ApiTestCase;

/** What is counted by the database is what one finds by going through the questions. */
final class StockTest extends ApiTestCase
{
    /** @return iterable<string, array{DealingPlan}> */
    public static function blueprints(): iterable
    {
        yield 'objectives and kinds' => [new DealingPlan([new Draw(2, new Pool(['Colony life'], kinds: ['one'])), new Draw(1, new Pool(['Colony life', 'Castes and their work'], below: false))])];
        yield 'tags that overlap' => [new DealingPlan([new Draw(1, new Pool(tags: ['t0'])), new Draw(2, new Pool(tags: ['t1'])), new Draw(1, new Pool(tags: ['t0', 't1']))])];
        yield 'questions by name, fixed, left out, added, apart' => [
            new DealingPlan(['q16', new Draw(3, new Pool(['Colony life'], without: ['q2'])), new Draw(1, new Pool(tags: ['t1'], also: ['q5'])), new Draw(1, new Pool(only: ['q7', 'q8']))], [['q3', 'q4']]),
        ];
        yield 'pools, overlapping, with a tag and with a name' => [
            new DealingPlan([
                new Draw(2, new Pool(in: 'thirds')),
                new Draw(2, new Pool(in: 'fours')),
                new Draw(1, new Pool(tags: ['t0'], in: 'thirds')),
                new Draw(1, new Pool(in: 'fours', without: ['q4'])),
                new Draw(1, new Pool(kinds: ['one'])),
            ]),
        ];
        yield 'a pool with nothing in it' => [new DealingPlan([new Draw(1, new Pool(also: ['q1'], in: 'nothing'))])];
        yield 'difficulty' => [new DealingPlan([new Draw(1, new Pool(difficulty: ['easy', 'hard']))])];
    }

    #[DataProvider('blueprints')]
    public function test_the_database_counts_what_a_list_would(DealingPlan $blueprint): void
    {
        $em = self::getContainer()->get(EntityManagerInterface::class);
        $db = self::getContainer()->get(Connection::class);
        $db->executeStatement("INSERT OR IGNORE INTO revision_tag (revision_id, tag) SELECT id, 't' || (question_id % 2) FROM revision WHERE question_id % 3 < 2");
        $db->executeStatement("INSERT OR IGNORE INTO revision_tag (revision_id, tag) SELECT id, 't0' FROM revision WHERE question_id % 5 = 0");
        $db->executeStatement("INSERT INTO pool (id, bank_id, name) VALUES (101, 1, 'thirds'), (102, 1, 'fours'), (103, 1, 'nothing')");
        $db->executeStatement('INSERT INTO pool_question SELECT 101, id FROM question WHERE id % 3 = 0 UNION ALL SELECT 102, id FROM question WHERE id % 4 = 0');
        $bank = $em->find(Bank::class, 1) ?? self::fail();
        $listed = [];
        foreach ($em->getRepository(Question::class)->findBy(['bank' => $bank], ['id' => 'ASC']) as $question) {
            $revision = $question->cleared();
            if ($revision !== null) {
                $content = $revision->question();
                $tags = array_filter($db->fetchFirstColumn('SELECT tag FROM revision_tag WHERE revision_id = ?', [$revision->id]), is_string(...));
                $listed[] = new EligibleQuestion(
                    'q' . $question->id,
                    $content->kind::id()->value,
                    $content->objective,
                    array_values($tags),
                    $content->difficulty?->value,
                    \Zetema\Core\Question\Points::of($revision->worth()),
                    array_keys(array_filter(['thirds' => $question->id % 3 === 0, 'fours' => $question->id % 4 === 0])),
                );
            }
        }
        $stock = self::getContainer()->get(BankStock::class)->of($bank);

        self::assertEquals(Proof::of($blueprint, new ListedStock($listed)), Proof::of($blueprint, $stock));
        $dealer = new Dealer($blueprint, $stock);
        $byId = array_column($listed, null, 'id');
        foreach ($blueprint->draws() as $d => $draw) {
            $ids = [];
            foreach ($dealer->pool($d) as $class) {
                for ($n = 0; $n < $class->count; ++$n) {
                    $ids[] = $stock->idOf($class, $n);
                }
            }
            $fitting = array_keys(array_filter($byId, static fn (EligibleQuestion $q): bool => $draw->pool->fits($q) && !in_array($q->id, $blueprint->fixed(), true)));
            sort($ids);
            sort($fitting);
            self::assertSame($fitting, $ids);
        }
        self::assertCount($blueprint->questions(), array_unique($dealer->deal(5)->ids()));
    }

    public function test_an_edition_deals_what_it_holds_with_what_that_was_worth(): void
    {
        $this->logIn('orrell');
        $em = self::getContainer()->get(EntityManagerInterface::class);
        $edition = $em->find(Edition::class, 1) ?? self::fail();
        $deal = static fn (): array => array_map(static fn (array $q): string => $q['id'] . ' ' . $q['worth'], (new Dealer($edition->plan(), StoredStock::ofEdition($em->getConnection(), $edition)))->deal(3)->questions);
        $before = $deal();
        $this->send('PUT', '/api/banks/1/settings', ['version' => $this->version('/api/banks/1/settings'), 'settings' => ['points' => '77']]);

        self::assertSame($before, $deal());
    }
}
