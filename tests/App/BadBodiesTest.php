<?php

declare(strict_types=1);

namespace Zetema\Tests\App;

use PHPUnit\Framework\Attributes\DataProvider;
use Zetema\Core\Data\Fields;

/** Whatever is sent to a route that changes something: it answers, in words, and nothing is changed by what it refused. */
final class BadBodiesTest extends ApiTestCase
{
    /** @return iterable<string, array{string, string, bool}> method, path, whether the route reads a body */
    public static function routes(): iterable
    {
        foreach (
            [
                ['PUT', '/api/banks/1/settings', true],
                ['POST', '/api/banks/1/questions', true],
                ['POST', '/api/banks/1/pages', true],
                ['PUT', '/api/pages/1', true],
                ['PUT', '/api/questions/16', true],
                ['PUT', '/api/questions/16/status', true],
                ['PUT', '/api/questions/16/about', true],
                ['POST', '/api/questions/16/copy', false],
                ['POST', '/api/questions/16/restore', true],
                ['POST', '/api/questions/16/here', false],
                ['POST', '/api/questions/16/comments', true],
                ['PUT', '/api/questions/16/comments/999999', true],
                ['POST', '/api/questions/16/waved', true],
                ['PUT', '/api/questions/16/waved', true],
                ['POST', '/api/questions/16/try', false],
                ['POST', '/api/banks/1/blueprints', true],
                ['PUT', '/api/blueprints/1', true],
                ['POST', '/api/blueprints/1/deal', false],
                ['POST', '/api/blueprints/1/editions', false],
                ['POST', '/api/blueprints/1/rehearsals', false],
                ['POST', '/api/sittings/1/events', true],
                ['POST', '/api/banks/1/intake/read', true],
                ['POST', '/api/banks/1/intake', true],
                ['POST', '/api/jobs/999999/stop', false],
            ] as [$method, $path, $reads]
        ) {
            yield $method . ' ' . $path => [$method, $path, $reads];
        }
    }

    /** @return list<string> */
    private static function bodies(): array
    {
        return [
            '',
            'null',
            '[]',
            '7',
            '"x"',
            '{',
            '{"version":',
            "{\"text\":\"\xff\xfe\"}",
            '{"version":"one"}',
            '{"version":-1}',
            '{"version":1e99}',
            '{"version":1.5}',
            '{"version":1,"content":"x"}',
            '{"version":1,"content":{"v":99,"kind":"one"}}',
            '{"content":{"v":1,"kind":"none","stem":1}}',
            '{"text":{},"lines":"all"}',
            '{"version":1,"settings":[1],"byKind":{"one":7}}',
            '{"version":1,"plan":{"steps":[{"draw":{"take":"many"}}]},"rules":{}}',
            '{"__proto__":{"a":1},"version":null}',
            str_repeat('{"a":', 600) . '1' . str_repeat('}', 600),
            '{"version":' . str_repeat('9', 400) . '}',
            '{"version":true,"name":' . json_encode(str_repeat('n', 5_000)) . '}',
        ];
    }

    #[DataProvider('routes')]
    public function test_it_answers_in_words_and_never_breaks(string $method, string $path, bool $reads): void
    {
        $this->logIn('orrell');
        $refused = 0;
        foreach (self::bodies() as $body) {
            $this->client->request($method, $path, server: ['CONTENT_TYPE' => 'application/json', 'HTTP_X_ZETEMA' => '1'], content: $body);
            $status = $this->client->getResponse()->getStatusCode();
            $answer = (string) $this->client->getResponse()->getContent();
            self::assertLessThan(500, $status, substr($body, 0, 60) . ': ' . $answer);
            if ($status >= 400) {
                ++$refused;
                $problem = Fields::ofJson($answer);
                self::assertNotSame('', $problem->text('detail'));
                self::assertSame($status, $problem->integer('status'));
                self::assertDoesNotMatchRegularExpression('/Zetema|Symfony|SQLSTATE|\.php|Stack/', $answer, 'nothing of the program');
            }
        }
        self::assertTrue(!$reads || $refused >= count(self::bodies()) - 4, "$refused were refused");
    }

    public function test_what_was_refused_changed_nothing(): void
    {
        $this->logIn('orrell');
        $paths = ['/api/questions/16', '/api/banks/1/settings', '/api/blueprints/1', '/api/banks/1/pages', '/api/banks/1/board'];
        $before = array_map(fn (string $path): array => $this->send('GET', $path)->raw(), $paths);
        foreach (
            [
                '/api/questions/16' => '{"version":1,"content":{"v":1,"kind":"one","stem":"S","choices":7}}',
                '/api/banks/1/settings' => '{"version":1,"settings":{"points":"many"}}',
                '/api/blueprints/1' => '{"version":1,"title":"","plan":7,"rules":{}}',
                '/api/pages/1' => '{"version":1,"name":""}',
            ] as $path => $body
        ) {
            $this->client->request('PUT', $path, server: ['CONTENT_TYPE' => 'application/json', 'HTTP_X_ZETEMA' => '1'], content: $body);
            self::assertGreaterThanOrEqual(400, $this->client->getResponse()->getStatusCode(), $path);
        }

        self::assertSame(json_encode($before), json_encode(array_map(fn (string $path): array => $this->send('GET', $path)->raw(), $paths)));
    }
}
