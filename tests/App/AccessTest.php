<?php

declare(strict_types=1);

namespace Zetema\Tests\App;

use Doctrine\DBAL\Connection;
use PHPUnit\Framework\Attributes\DataProvider;
use Zetema\Core\Data\Fields;

final class AccessTest extends ApiTestCase
{
    /** @return iterable<string, array{string, string, bool, bool, bool}> method, path, may: author, reviewer, candidate */
    public static function routes(): iterable
    {
        $routes = [
            ['GET', '/api/banks', true, true, false],
            ['GET', '/api/banks/1/board', true, true, false],
            ['GET', '/api/banks/1/questions', true, true, false],
            ['POST', '/api/banks/1/questions', true, false, false],
            ['GET', '/api/banks/1/text', true, true, false],
            ['GET', '/api/banks/1/table', true, true, false],
            ['POST', '/api/banks/1/missing', true, true, false],
            ['GET', '/api/banks/1/package?as=qti30', true, true, false],
            ['GET', '/api/blueprints/1/text', true, true, false],
            ['GET', '/api/blueprints/1/table', true, true, false],
            ['GET', '/api/blueprints/1/table/missing', true, true, false],
            ['GET', '/api/blueprints/1/archive', true, false, false],
            ['GET', '/api/blueprints/1/package?as=qti30', true, true, false],
            ['GET', '/api/blueprints/1/package/missing?as=qti21', true, true, false],
            ['PUT', '/api/banks/1', true, false, false],
            ['POST', '/api/banks/1/copy', true, false, false],
            ['GET', '/api/banks/1/find', true, true, false],
            ['GET', '/api/banks/1/alike', true, true, false],
            ['GET', '/api/banks/1/alike/beside?one=1&other=2', true, true, false],
            ['POST', '/api/banks/1/alike/merge', true, false, false],
            ['POST', '/api/banks/1/alike', true, true, false],
            ['GET', '/api/banks/1/board/status', true, true, false],
            ['POST', '/api/banks/1/questions/change', true, false, false],
            ['POST', '/api/banks/1/questions/arrange', true, false, false],
            ['POST', '/api/banks/1/questions/change/preview', true, false, false],
            ['POST', '/api/banks/1/objectives', true, false, false],
            ['GET', '/api/banks/1/settings/differing', true, true, false],
            ['GET', '/api/house-rules', true, true, false],
            ['PUT', '/api/house-rules', false, false, false],
            ['GET', '/api/house-rules/changes', true, true, false],
            ['POST', '/api/house-rules/changes/1/undo', false, false, false],
            ['GET', '/api/banks/1/pools', true, true, false],
            ['POST', '/api/banks/1/pools', true, false, false],
            ['GET', '/api/banks/1/changes', true, true, false],
            ['GET', '/api/banks/1/saves', true, true, false],
            ['POST', '/api/banks/1/changes/1/undo', true, false, false],
            ['GET', '/api/questions/1', true, true, false],
            ['PUT', '/api/questions/1', true, false, false],
            ['DELETE', '/api/questions/1?version=1', true, false, false],
            ['PUT', '/api/questions/1/status', true, true, false],
            ['PUT', '/api/questions/1/about', true, false, false],
            ['PUT', '/api/questions/1/apart', true, false, false],
            ['POST', '/api/questions/1/copy', true, false, false],
            ['POST', '/api/questions/1/restore', true, false, false],
            ['GET', '/api/questions/1/revisions/1', true, true, false],
            ['GET', '/api/questions/1/text', true, true, false],
            ['POST', '/api/questions/1/here', true, true, false],
            ['POST', '/api/questions/1/comments', true, true, false],
            ['PUT', '/api/questions/1/comments/1', true, true, false],
            ['POST', '/api/questions/1/waved', true, true, false],
            ['PUT', '/api/questions/1/waved', true, true, false],
            ['GET', '/api/questions/1/as-seen', true, true, false],
            ['POST', '/api/questions/1/try', true, true, false],
            ['GET', '/api/questions/1/scores', true, true, false],
            ['GET', '/api/questions/1/guess', true, true, false],
            ['GET', '/api/banks/1/settings', true, true, false],
            ['PUT', '/api/banks/1/settings', true, false, false],
            ['GET', '/api/banks/1/proofreading', true, true, false],
            ['GET', '/api/banks/1/media', true, true, false],
            ['PUT', '/api/banks/1/media/a', true, false, false],
            ['GET', '/api/banks/1/pages', true, true, false],
            ['POST', '/api/banks/1/pages', true, false, false],
            ['PUT', '/api/pages/1', true, false, false],
            ['DELETE', '/api/pages/1?version=1', true, false, false],
            ['POST', '/api/banks/1/intake/read', true, false, false],
            ['POST', '/api/banks/1/intake', true, false, false],
            ['GET', '/api/banks/1/archive', true, false, false],
            ['POST', '/api/banks/from-archive', true, false, false],
            ['POST', '/api/banks/1/intake/package', true, false, false],
            ['GET', '/api/intake/mappings', true, false, false],
            ['POST', '/api/blueprints/1/simulations', true, false, false],
            ['GET', '/api/blueprints/1/guessing', true, false, false],
            ['PUT', '/api/intake/mappings', true, false, false],
            ['DELETE', '/api/intake/mappings/1', true, false, false],
            ['POST', '/api/intake/open', true, false, false],
            ['GET', '/api/banks/1/batches', true, false, false],
            ['POST', '/api/batches/1/take-back', true, false, false],
            ['GET', '/api/banks/1/blueprints', true, true, false],
            ['POST', '/api/banks/1/blueprints', true, false, false],
            ['GET', '/api/blueprints/1', true, true, false],
            ['PUT', '/api/blueprints/1/document', true, false, false],
            ['POST', '/api/blueprints/1/copies', true, false, false],
            ['DELETE', '/api/blueprints/1', true, false, false],
            ['POST', '/api/blueprints/1/deal', true, true, false],
            ['POST', '/api/blueprints/1/editions', true, false, false],
            ['POST', '/api/blueprints/1/rehearsals', true, true, false],
            ['GET', '/api/banks/1/blueprints/points', true, true, false],
            ['PUT', '/api/blueprints/1/put-away', true, false, false],
            ['GET', '/api/blueprints/1/admission', true, true, false],
            ['PUT', '/api/blueprints/1/admission', true, false, false],
            ['POST', '/api/access-codes', false, false, true],
            ['GET', '/api/groups', true, false, false],
            ['POST', '/api/groups', true, false, false],
            ['PUT', '/api/groups/1', true, false, false],
            ['DELETE', '/api/groups/1', true, false, false],
            ['GET', '/api/editions/1', true, true, false],
            ['GET', '/api/editions/1/results', true, false, false],
            ['GET', '/api/editions/1/survey', true, false, false],
            ['GET', '/api/sittings/1/replay/1', true, false, false],
            ['GET', '/api/editions/1/sittings.csv', true, false, false],
            ['GET', '/api/editions/1/responses.csv', true, false, false],
            ['POST', '/api/sittings/1/rehearsal', true, true, false],
            ['GET', '/api/sittings/1/paper', true, false, false],
            ['POST', '/api/sittings/1/staff', true, false, false],
            ['GET', '/api/editions/1/differences', true, true, false],
            ['GET', '/api/blueprints/1/differences', true, true, false],
            ['PUT', '/api/editions/1/closed', true, false, false],
            ['DELETE', '/api/editions/1', true, false, false],
            ['GET', '/api/slowed-log-ins', false, false, false],
            ['DELETE', '/api/slowed-log-ins/1', false, false, false],
            ['POST', '/api/banks/1/out', true, true, false],
            ['POST', '/api/editions/1/out', true, false, false],
            ['GET', '/api/jobs/1/file', true, true, false],
            ['GET', '/api/banks/1/jobs', true, true, false],
            ['GET', '/api/jobs/1', true, true, false],
            ['POST', '/api/jobs/1/stop', true, false, false],
            ['POST', '/api/editions/1/sittings', false, false, true],
            ['GET', '/api/editions/1/opening', false, false, true],
            ['GET', '/api/blueprints/1/opening', true, true, false],
        ];
        foreach ($routes as $route) {
            yield $route[0] . ' ' . $route[1] => $route;
        }
    }

    #[DataProvider('routes')]
    public function test_every_route_needs_the_right_role(string $method, string $path, bool ...$may): void
    {
        $this->send($method, $path, [], status: 401);
        self::getContainer()
            ->get(Connection::class)
            ->executeStatement("INSERT OR REPLACE INTO comment (id, question_id, author_id, line, text, answers, made_at) VALUES (1, 1, 1, '', 'Hm.', '[]', '2026-05-01 10:00:00')");
        self::getContainer()
            ->get(Connection::class)
            ->executeStatement("INSERT OR IGNORE INTO bank_change (id, bank_id, account_id, kind, words, undo, at) VALUES (1, 1, 1, 'objectives', 'x', '{}', '2026-05-01 10:00:00')");
        self::getContainer()->get(Connection::class)->executeStatement("INSERT OR IGNORE INTO slowed_log_in (id, login, address, failures, last_at) VALUES (1, 'x', '::1', 9, 9999999999999)");
        foreach (array_reverse(['orrell', 'penhale', 'wren'], true) as $i => $login) {
            $this->logIn($login);
            $this->client->request($method, $path, server: ['HTTP_X_ZETEMA' => '1', 'CONTENT_TYPE' => 'application/json'], content: '{}');

            self::assertSame($may[$i] ?? false, $this->client->getResponse()->getStatusCode() !== 403, $login);
        }
    }

    public function test_no_route_of_the_api_is_left_out_of_the_table(): void
    {
        $known = [
            ...array_map(static fn (array $route): string => explode('?', $route[1])[0], iterator_to_array(self::routes(), false)),
            '/api/log-in',
            '/api/log-out',
            '/api/me',
            '/api/my-assessments',
            '/api/sittings/1',
            '/api/sittings/1/events',
            '/api/sittings/1/review',
            '/api/media/{hash}',
        ];
        $router = self::getContainer()->get('router');
        foreach ($router->getRouteCollection() as $route) {
            if (str_starts_with($route->getPath(), '/api')) {
                self::assertContains(str_replace(['{id}', '{bank}', '{comment}', '{number}', '{name}', '{by}'], ['1', '1', '1', '1', 'a', 'status'], $route->getPath()), $known);
            }
        }
    }

    public function test_every_route_of_the_api_stands_in_the_contract_and_the_other_way_round(): void
    {
        $yaml = \Symfony\Component\Yaml\Yaml::parseFile(dirname(__DIR__, 2) . '/docs/openapi.yaml');
        $contract = [];
        foreach (Fields::of($yaml)->object('paths')->raw() as $path => $methods) {
            foreach (array_intersect(['get', 'post', 'put', 'delete'], array_keys((array) $methods)) as $method) {
                $contract[] = strtoupper($method) . ' /api' . $path;
            }
        }
        $routes = [];
        foreach (self::getContainer()->get('router')->getRouteCollection() as $route) {
            foreach (str_starts_with($route->getPath(), '/api') ? $route->getMethods() : [] as $method) {
                $routes[] = $method . ' ' . $route->getPath();
            }
        }
        sort($contract);
        sort($routes);

        self::assertSame($contract, $routes);
    }

    public function test_what_comes_from_another_site_is_refused(): void
    {
        $this->logIn('orrell');
        foreach ([['HTTP_X_ZETEMA' => '1', 'HTTP_ORIGIN' => 'http://elsewhere.example'], ['HTTP_X_ZETEMA' => '1', 'HTTP_SEC_FETCH_SITE' => 'cross-site'], []] as $headers) {
            $this->client->request('POST', '/api/blueprints/1/editions', server: $headers);

            self::assertSame(403, $this->client->getResponse()->getStatusCode());
        }
    }

    public function test_nobody_sees_anothers_sitting(): void
    {
        $this->logIn('wren');
        foreach (['/api/sittings/1', '/api/sittings/1/review'] as $path) {
            $this->send('GET', $path, status: 404);
        }
    }

    public function test_logging_out_ends_the_session(): void
    {
        $this->logIn('orrell');
        $this->send('POST', '/api/log-out', schema: 'Me');

        $this->send('GET', '/api/banks', status: 401);
    }

    public function test_bad_input_is_told_by_its_field(): void
    {
        $this->logIn('orrell');
        self::assertSame('text', $this->send('POST', '/api/banks/1/intake/read', ['text' => 5], status: 422)->text('field'));
        self::assertSame('document', $this->broken('POST', '/api/banks/1/intake/read')->text('field'));
        $this->send('GET', '/api/questions/99999', status: 404);
        $this->send('DELETE', '/api/banks', status: 405);
    }

    private function broken(string $method, string $path): Fields
    {
        $this->client->request($method, $path, server: ['HTTP_X_ZETEMA' => '1'], content: '{"text": ');

        return Fields::ofJson((string) $this->client->getResponse()->getContent());
    }
}
