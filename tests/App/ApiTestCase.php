<?php

declare(strict_types=1);

namespace Zetema\Tests\App;

use Opis\JsonSchema\Errors\ErrorFormatter;
use Opis\JsonSchema\Validator;
use Symfony\Bundle\FrameworkBundle\KernelBrowser;
use Symfony\Bundle\FrameworkBundle\Test\WebTestCase;
use Symfony\Component\Yaml\Yaml;
use Zetema\Core\Data\Fields;
use Zetema\Tests\Core\DemoQuestionsTest;

/** Real HTTP kernel, real SQLite with the demo; every answer is held against docs/openapi.yaml. */
abstract class ApiTestCase extends WebTestCase
{
    /** How many the demo has. */
    protected const QUESTIONS = DemoQuestionsTest::QUESTIONS + 2; // the demo adds a draft and one that is retired

    protected KernelBrowser $client;
    private static ?object $contract = null;

    protected function setUp(): void
    {
        $this->client = self::createClient();
        $this->client->disableReboot();
    }

    protected function logIn(string $login): void
    {
        $this->send('POST', '/api/log-in', ['login' => $login, 'password' => 'honeycomb'], 'Me');
    }

    /**
     * @param array<string, mixed>|null $body
     * @param string|null $schema name of the answer's schema in docs/openapi.yaml
     */
    protected function send(string $method, string $path, ?array $body = null, ?string $schema = null, int $status = 200): Fields
    {
        $json = $body === null ? '' : json_encode((object) $body, JSON_THROW_ON_ERROR);
        $this->client->request($method, $path, server: ['CONTENT_TYPE' => 'application/json', 'HTTP_X_ZETEMA' => '1'], content: $json);
        $response = $this->client->getResponse();
        $content = (string) $response->getContent();

        self::assertSame($status, $response->getStatusCode(), $content);
        $schema = $status >= 400 ? 'Problem' : $schema;
        if ($schema !== null) {
            self::assertMatchesContract($schema, $content);
        }

        return Fields::ofJson($content);
    }

    /**
     * Plans a blueprint as one section.
     *
     * @param list<array<string, mixed>> $steps each {question} or {draw}, a draw with its points if it has some
     * @param array<string, mixed> $more other rules, pass mark, title
     */
    protected function plan(int $id, array $steps, array $more = [], int $status = 200, ?int $version = null): Fields
    {
        $blueprint = $this->send('GET', "/api/blueprints/$id");
        $document = $blueprint->object('document')->raw();
        $sections = [
            [
                'id' => 'all',
                'steps' => array_map(
                    static function (array $step, int $i): array {
                        $draw = is_array($step['draw'] ?? null) ? $step['draw'] : null;

                        return [
                            'id' => (string) ($i + 1),
                            ...array_diff_key($step, ['draw' => 1]),
                            ...$draw === null ? [] : ['draw' => array_diff_key($draw, ['points' => 1])],
                            ...isset($draw['points']) ? ['settings' => ['points' => $draw['points']]] : [],
                        ];
                    },
                    $steps,
                    array_keys($steps),
                ),
            ],
        ];
        $rules = [...(array) ($document['rules'] ?? []), ...(array) ($more['rules'] ?? [])];

        return $this->send(
            'PUT',
            "/api/blueprints/$id/document",
            ['version' => $version ?? $blueprint->integer('version'), 'document' => [...$document, ...$more, 'rules' => $rules, 'sections' => $sections]],
            $status === 200 ? 'Blueprint' : 'Problem',
            $status,
        );
    }

    /**
     * Begins a sitting, and goes on until something is asked.
     *
     * @param array<string, mixed> $body
     */
    protected function begin(string $path = '/api/editions/1/sittings', array $body = []): Fields
    {
        $sitting = $this->send('POST', $path, $body, 'Sitting', 201);
        while ($sitting->objects('questions') === []) {
            $sitting = $this->act($sitting, ['type' => 'went on']);
        }

        return $sitting;
    }

    /** @param array<string, mixed> $event */
    protected function act(Fields $sitting, array $event, int $status = 200): Fields
    {
        $body = ['request' => bin2hex(random_bytes(8)), 'on' => $sitting->integer('events'), ...$event];

        return $this->send('POST', '/api/sittings/' . $sitting->integer('id') . '/events', $body, 'Sitting', $status);
    }

    /** The version of what stands at a path, to make a change over it. */
    protected function version(string $path): int
    {
        return $this->send('GET', $path)->integer('version');
    }

    private static function assertMatchesContract(string $schema, string $json): void
    {
        if (self::$contract === null) {
            $yaml = Yaml::parseFile(dirname(__DIR__, 2) . '/docs/openapi.yaml');
            $document = Fields::ofJson((string) file_get_contents(dirname(__DIR__, 2) . '/docs/formats/blueprint.schema.json'))->raw();
            $components = is_array($yaml) ? (array) $yaml['components'] : [];
            // It stands in a file of its own, and names its own definitions.
            $components['schemas'] = [...(array) $components['schemas'], 'BlueprintDocument' => array_diff_key($document, ['$defs' => true, '$schema' => true])];
            $decoded = json_decode(json_encode(['components' => $components, '$defs' => $document['$defs']], JSON_THROW_ON_ERROR));
            self::$contract = is_object($decoded) ? $decoded : null;
        }
        $contract = (array) self::$contract;
        $result = (new Validator())->validate(json_decode($json), (object) ['$ref' => '#/components/schemas/' . $schema, ...$contract]);
        $error = $result->error();

        self::assertTrue($result->isValid(), $error === null ? '' : $schema . ': ' . json_encode((new ErrorFormatter())->format($error), JSON_THROW_ON_ERROR));
    }
}
