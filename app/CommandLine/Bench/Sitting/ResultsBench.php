<?php

declare(strict_types=1);

namespace Zetema\App\CommandLine\Bench\Sitting;

use Symfony\Component\Console\Output\OutputInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Zetema\App\CommandLine\Bench\Server\BenchDatabase;
use Zetema\App\CommandLine\Bench\Server\BenchServer;
use Zetema\App\CommandLine\Bench\Server\Times;
use Zetema\App\Results\SittingsAsked;
use Zetema\App\Shared\Dialect\SqliteDialect;

/** Results of an edition with ten thousand sittings: every page and filter beside a request that does nothing, and the tables whole. */
final class ResultsBench
{
    private const TIMES = 30;
    private const MADE = 200;
    private BenchServer $server;
    private OutputInterface $output;

    public function __construct(#[Autowire('%kernel.project_dir%')] private readonly string $root)
    {
    }

    public function run(OutputInterface $output, int $sittings): int
    {
        $this->output = $output;
        $database = BenchDatabase::made($this->root, 'results', ['zetema:demo', '--crowd=' . self::MADE, '--quiet']);
        $db = new \PDO('sqlite:' . $database, options: [\PDO::ATTR_ERRMODE => \PDO::ERRMODE_EXCEPTION]);
        $db->sqliteCreateFunction('folded', static fn (?string $text): string => mb_strtolower((string) $text), 1);
        $this->many($db, $sittings);
        $this->server = new BenchServer($this->root, $database, '128M', 'orrell');
        $there = self::number($db, 'SELECT COUNT(*) FROM sitting WHERE edition_id = 1');
        $output->writeln(
            sprintf(
                '%d sittings, %s; medians in milliseconds over %d requests, each after one that does nothing',
                $there,
                date('j F Y'),
                self::TIMES,
            ),
        );
        $results = '/api/editions/1/results';
        $last = SittingsAsked::PAGE * intdiv($there - 1, SittingsAsked::PAGE);
        foreach (
            [
                'first page' => static fn (int $i): string => "$results?by=began&down=" . $i % 2,
                'last page' => static fn (int $i): string => "$results?from=" . ($last - SittingsAsked::PAGE * ($i % 3)),
                'by candidate' => static fn (int $i): string => "$results?by=candidate&down=0&from=" . SittingsAsked::PAGE * $i,
                'by points' => static fn (int $i): string => "$results?by=points&from=" . SittingsAsked::PAGE * $i,
                'passed' => static fn (int $i): string => "$results?kind=passed&from=" . SittingsAsked::PAGE * ($i % 5),
                'not passed, by %' => static fn (int $i): string => "$results?kind=not+passed&by=%25&from=" .
                    SittingsAsked::PAGE * ($i % 5),
                'being sat' => static fn (int $i): string => "$results?kind=running&from=" . $i,
                'letters of a name' => static fn (int $i): string => "$results?name=" . chr(97 + ($i % 26)) . ['', 'e', 'or'][$i % 3],
                'survey' => static fn (int $i): string => '/api/editions/' . (1 + ($i % 2)) . '/survey',
                'survey of the profile' => static fn (int $i): string => '/api/editions/5/survey?' . $i,
            ] as $what => $path
        ) {
            $this->measure($what, $path);
        }
        $this->server->workOne(); // what the demo left to do
        foreach (['sittings', 'responses'] as $as) {
            $job = $this->server->ask('POST', '/api/editions/1/out', ['as' => $as]);
            $took = new Times();
            $peak = $took->take(fn (): float => $this->server->workOne());
            $file = $this->server->fetch('GET', '/api/jobs/' . (is_int($job['id'] ?? null) ? $job['id'] : 0) . '/file');
            $wanted =
                $as === 'sittings'
                    ? $there
                    : self::number(
                        $db,
                        'SELECT SUM(' .
                            (new SqliteDialect())->jsonLength('state', 'asked') .
                            ') FROM sitting WHERE edition_id = 1 AND ended_at IS NOT NULL',
                    );
            $output->writeln(
                sprintf(
                    'table of %s: %.1f MB, %d lines of %d in %.1f s, %.0f MB at most',
                    $as,
                    strlen($file) / 1e6,
                    preg_match_all('/^\d+,/m', $file),
                    $wanted,
                    $took->median() / 1000,
                    $peak,
                ),
            );
        }

        return 0;
    }

    /** The sittings that the demo's crowd sat, again and again under other names, with their events and marks. */
    private function many(\PDO $db, int $sittings): void
    {
        $accounts = self::number($db, 'SELECT MAX(id) FROM account');
        $last = self::number($db, 'SELECT MAX(id) FROM sitting');
        $db->exec('BEGIN');
        for ($copy = 1; self::number($db, 'SELECT COUNT(*) FROM sitting WHERE edition_id = 1') < $sittings; ++$copy) {
            $db->exec(
                "INSERT INTO account (id, login, name, role, password_hash, folded) SELECT id + $copy * $accounts, login || '-$copy', name || ' $copy', role, password_hash, folded(name || ' $copy ' || login || '-$copy') FROM account WHERE login LIKE 'simulated-%' AND id <= $accounts",
            );
            $columns = array_diff(self::columns($db, 'sitting'), ['id', 'account_id']);
            $list = implode(', ', $columns);
            $db->exec(
                "INSERT INTO sitting (id, account_id, $list) SELECT id + $copy * $last, account_id + $copy * $accounts, $list FROM sitting WHERE edition_id IN (1, 5) AND id <= $last AND account_id IN (SELECT id FROM account WHERE login LIKE 'simulated-%')",
            );
            foreach (['sitting_event', 'mark'] as $table) {
                $list = implode(', ', array_diff(self::columns($db, $table), ['id', 'sitting_id']));
                $db->exec(
                    "INSERT INTO $table (sitting_id, $list) SELECT sitting_id + $copy * $last, $list FROM $table WHERE sitting_id IN (SELECT id FROM sitting WHERE edition_id IN (1, 5) AND id <= $last AND account_id IN (SELECT id FROM account WHERE login LIKE 'simulated-%'))",
                );
            }
        }
        $db->exec(
            'UPDATE survey_count SET given = (SELECT COUNT(*) FROM mark m JOIN sitting s ON s.id = m.sitting_id WHERE m.revision_id = survey_count.revision_id AND m.response IS NOT DISTINCT FROM survey_count.response AND m.stands = TRUE AND m.is_graded = FALSE AND s.edition_id = survey_count.edition_id AND s.ended_at IS NOT NULL)',
        );
        $db->exec('COMMIT');
    }

    /** @param callable(int): string $path */
    private function measure(string $what, callable $path): void
    {
        $taken = new Times();
        $nothing = new Times();
        for ($i = 0; $i < self::TIMES; ++$i) {
            $nothing->take(fn (): string => $this->server->fetch('GET', '/api/me'));
            $taken->take(fn (): string => $this->server->fetch('GET', $path($i)));
        }
        $this->output->writeln(
            sprintf(
                '%-24s %6.1f (p95 %6.1f), nothing %5.1f (%5.1f): %.1f times',
                $what,
                $taken->median(),
                $taken->p95(),
                $nothing->median(),
                $nothing->p95(),
                $taken->median() / $nothing->median(),
            ),
        );
    }

    /** @return list<string> */
    private static function columns(\PDO $db, string $table): array
    {
        $columns = $db->query("SELECT name FROM pragma_table_info('$table')");

        return $columns === false ? [] : array_values(array_filter($columns->fetchAll(\PDO::FETCH_COLUMN), is_string(...)));
    }

    private static function number(\PDO $db, string $sql): int
    {
        $number = $db->query($sql);

        return (int) ($number === false ? 0 : $number->fetchColumn());
    }
}
