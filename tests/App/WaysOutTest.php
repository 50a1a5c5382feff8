<?php

declare(strict_types=1);

namespace Zetema\Tests\App;

use Doctrine\DBAL\Connection;
use Zetema\App\Background\Jobs;
use Zetema\App\Background\RunJob;
use Zetema\Core\Data\Fields;

/** What takes long to write out is written whole, in the background, and waits for whoever asked for it. */
final class WaysOutTest extends ApiTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->logIn('orrell');
    }

    private function fetched(string $path): string
    {
        $this->client->request('GET', $path);
        self::assertSame(200, $this->client->getResponse()->getStatusCode());
        self::assertNotNull($this->client->getResponse()->headers->get('Content-Length'), 'a part of it could not be taken for the whole');

        return $this->client->getInternalResponse()->getContent();
    }

    /** @param array<string, mixed> $body */
    private function written(string $path, array $body): Fields
    {
        $job = $this->send('POST', $path, $body, 'Job', 202);

        return $this->send('GET', '/api/jobs/' . $job->integer('id'), schema: 'Job');
    }

    /** @return iterable<string, array{string, array<string, mixed>, string, string}> */
    public static function ways(): iterable
    {
        yield 'text' => ['/api/banks/1/out', ['as' => 'text'], '/api/banks/1/text', 'apprentice-certificate.zet.txt'];
        yield 'table of one kind' => ['/api/banks/1/out', ['as' => 'table', 'filter' => ['kind' => 'one']], '/api/banks/1/table?kind=one', 'apprentice-certificate.csv'];
        yield 'archive' => ['/api/banks/1/out', ['as' => 'archive'], '/api/banks/1/archive', 'apprentice-certificate.zip'];
        yield 'package' => ['/api/banks/1/out', ['as' => 'qti30', 'filter' => ['kind' => 'one']], '/api/banks/1/package?as=qti30&kind=one', 'apprentice-certificate-qti30.zip'];
        yield 'sittings' => ['/api/editions/1/out', ['as' => 'sittings'], '/api/editions/1/sittings.csv', 'sittings-edition-1.csv'];
        yield 'responses' => ['/api/editions/1/out', ['as' => 'responses'], '/api/editions/1/responses.csv', 'responses-edition-1.csv'];
    }

    /** @param array<string, mixed> $body */
    #[\PHPUnit\Framework\Attributes\DataProvider('ways')]
    public function test_each_way_out_writes_the_same_at_once_and_in_the_background(string $ask, array $body, string $atOnce, string $name): void
    {
        $job = $this->written($ask, $body);
        self::assertSame(['done', $name], [$job->text('state'), $job->object('result')->text('file')]);
        $path = '/api/jobs/' . $job->integer('id') . '/file';
        $file = $this->fetched($path);

        self::assertSame($job->object('result')->integer('bytes'), strlen($file));
        self::assertSame(sha1($this->fetched($atOnce)), sha1($file));
        $this->logIn('penhale');
        $this->send('GET', $path, status: 404);
    }

    public function test_one_that_is_stopped_leaves_no_part_of_a_file(): void
    {
        $db = self::getContainer()->get(Connection::class);
        $db->insert('job', [
            'state' => 'waiting',
            'done' => 0,
            'total' => 0,
            'stop_asked' => 1,
            'task' => 'write out',
            'input' => '{"way":"bank","bank":1,"as":"text","filter":{}}',
            'begun_at' => '2026-05-01 10:00:00',
            'bank_id' => 1,
            'account_id' => 1,
        ]);
        $id = (int) $db->lastInsertId();
        self::getContainer()->get(Jobs::class)->run(new RunJob($id));

        self::assertSame('stopped', $this->send('GET', "/api/jobs/$id", schema: 'Job')->text('state'));
        $this->send('GET', "/api/jobs/$id/file", status: 404);
        $folder = $_ENV['MEDIA_DIR'] ?? '';
        self::assertSame([], glob((is_string($folder) ? $folder : '') . "/out/$id*"));
    }

    public function test_what_cannot_be_written_is_refused_before_anything_begins(): void
    {
        self::assertSame('as', $this->send('POST', '/api/banks/1/out', ['as' => 'parchment'], status: 422)->text('field'));
        self::assertSame('as', $this->send('POST', '/api/editions/1/out', ['as' => 'names'], status: 422)->text('field'));
        $this->logIn('penhale');
        $this->send('POST', '/api/banks/1/out', ['as' => 'archive'], status: 403);
    }
}
