<?php

declare(strict_types=1);

namespace Zetema\Tests\App\Bank\Intake;

use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use Opis\JsonSchema\Validator;
use PHPUnit\Framework\Attributes\DataProvider;
use Zetema\App\Background\Job;
use Zetema\App\Background\Jobs;
use Zetema\App\Background\RunJob;
use Zetema\App\Bank\Archive\KeptArchives;
use Zetema\App\Bank\Archive\RestoreBank;
use Zetema\App\People\Account;
use Zetema\Core\Data\Fields;
use Zetema\Core\Exchange\Archive\ArchiveFormat;
use Zetema\Core\Exchange\Archive\ArchiveSource;
use Zetema\Tests\App\ApiTestCase;

/** A bank goes out as an archive with all that belongs to it, and is a bank again wherever it is brought. */
final class ArchiveTest extends ApiTestCase
{
    private string $file;

    protected function setUp(): void
    {
        parent::setUp();
        $this->logIn('orrell');
        $this->file = (string) tempnam(sys_get_temp_dir(), 'zetema-test');
    }

    protected function tearDown(): void
    {
        unlink($this->file);
        parent::tearDown();
    }

    private function out(string $narrowed = ''): void
    {
        $this->client->request('GET', "/api/banks/1/archive$narrowed");
        self::assertSame(200, $this->client->getResponse()->getStatusCode());
        file_put_contents($this->file, $this->client->getInternalResponse()->getContent());
    }

    /** @param array<string, string|null> $files other contents, or null to leave a file out */
    private function changed(array $files): void
    {
        $zip = new \ZipArchive();
        $zip->open($this->file);
        foreach ($files as $name => $contents) {
            $contents === null ? $zip->deleteName($name) : $zip->addFromString($name, $contents);
        }
        $zip->close();
    }

    private function json(string $name): Fields
    {
        $zip = new \ZipArchive();
        $zip->open($this->file);
        $contents = (string) $zip->getFromName($name);
        $zip->close();

        return Fields::ofJson($contents);
    }

    private function in(string $name, int $status = 202): Fields
    {
        $this->client->request('POST', '/api/banks/from-archive?' . http_build_query(['name' => $name]), server: ['HTTP_X_ZETEMA' => '1', 'CONTENT_TYPE' => 'application/octet-stream'], content: (string) file_get_contents($this->file));
        $answer = $this->client->getInternalResponse();
        self::assertSame($status, $answer->getStatusCode(), $answer->getContent());

        return Fields::ofJson($answer->getContent());
    }

    private function text(int $bank): string
    {
        $this->client->request('GET', "/api/banks/$bank/text");

        return $this->client->getInternalResponse()->getContent();
    }

    public function test_the_whole_demo_bank_comes_back_as_it_was(): void
    {
        $id = $this->send('GET', '/api/banks/1/questions?kind=claim&status=cleared')->objects('questions')[0]->integer('id');
        $question = $this->send('GET', "/api/questions/$id");
        $this->send('PUT', "/api/questions/$id", ['version' => $question->integer('version'), 'name' => $question->optionalText('name') ?? '', 'objective' => $question->optionalText('objective') ?? '', 'content' => [...$question->object('content')->raw(), 'stem' => 'A draft beside what is dealt.']], 'Question');
        $this->send('PUT', '/api/questions/16/apart', ['before' => [], 'others' => [17, 20]], 'Question');
        $this->out();
        $restored = $this->in('Moved');
        $new = $restored->integer('made');
        self::assertSame(['done', self::QUESTIONS], [$restored->object('job')->text('state'), $restored->object('job')->integer('done')]);

        self::assertSame($this->text(1), str_replace('bank: Moved', 'bank: Apprentice Certificate', $this->text($new)), 'questions, objectives, settings, pages');
        $told = fn (string $path, string $list, string ...$fields): array => array_map(static fn (Fields $one): array => array_map(static fn (string $f): mixed => $one->raw()[$f] ?? null, $fields), $this->send('GET', $path)->objects($list));
        $of = [];
        foreach ([1, $new] as $bank) {
            $of[$bank] = [
                $told("/api/banks/$bank/pools", 'pools', 'name', 'questions', 'cleared'),
                $told("/api/banks/$bank/media", 'media', 'name', 'hash', 'width', 'height'),
                $told("/api/banks/$bank/blueprints", 'blueprints', 'title'),
                $this->db()->fetchAllNumeric('SELECT a.name, b.name FROM kept_apart JOIN question a ON a.id = first_id JOIN question b ON b.id = second_id WHERE a.bank_id = ? ORDER BY 1, 2', [$bank]),
                $told("/api/banks/$bank/questions?order=name", 'questions', 'name', 'status', 'worth', 'excerpt'),
                $this->db()->fetchAllNumeric('SELECT path, code, description, is_kept FROM objective WHERE bank_id = ? ORDER BY place', [$bank]),
                $this->db()->fetchAllNumeric("SELECT q.name, json_extract(r.content, '$.stem') FROM question q JOIN revision r ON r.id = q.cleared_id WHERE q.bank_id = ? ORDER BY q.name", [$bank]),
            ];
        }
        self::assertSame($of[1], $of[$new]);
        self::assertNotEmpty($of[1][0]);
        self::assertCount(2, $of[1][3]);
        // The same seed deals the same form, of its own questions.
        [$mine, $its] = array_map(fn (int $bank): int => $this->number('SELECT MIN(id) FROM blueprint WHERE bank_id = ?', $bank), [1, $new]);
        $form = fn (int $blueprint): array => array_map(static fn (Fields $q): array => array_diff_key($q->raw(), ['id' => 1, 'question' => 1]), $this->send('POST', "/api/blueprints/$blueprint/deal", ['seed' => 7])->objects('questions'));
        self::assertSame($form($mine), $form($its));
    }

    private function db(): Connection
    {
        return self::getContainer()->get(Connection::class);
    }

    private function number(string $sql, int $parameter): int
    {
        $number = $this->db()->fetchOne($sql, [$parameter]);

        return is_numeric($number) ? (int) $number : 0;
    }

    public function test_a_selection_goes_out_with_what_belongs_to_it_and_no_more(): void
    {
        $narrowed = '?kind=place&objective=' . $this->number('SELECT id FROM objective WHERE bank_id = ? AND path = \'Hive inspection\'', 1);
        $chosen = $this->send('GET', "/api/banks/1/questions$narrowed")->objects('questions');
        self::assertNotSame([], $chosen);
        $this->out($narrowed);
        $head = $this->json(ArchiveFormat::HEAD);
        self::assertSame([count($chosen), [], []], [$head->integer('questions'), $head->objects('blueprints'), $head->objects('pools')]);
        self::assertNotSame([], $head->texts('media'), 'the pictures on which something is placed');
        self::assertLessThan($this->number('SELECT COUNT(*) FROM medium WHERE bank_id = ?', 1), count($head->texts('media')));
        self::assertSame(['Hive inspection'], array_values(array_unique(array_map(static fn (Fields $o): string => $o->texts('path')[0], $head->objects('objectives')))));
        $new = $this->in('Some')->integer('made');
        $told = fn (string $path): array => array_map(static fn (Fields $q): array => [$q->raw()['name'], $q->raw()['status'], $q->raw()['excerpt']], $this->send('GET', $path)->objects('questions'));
        self::assertSame($told("/api/banks/1/questions$narrowed&order=name"), $told("/api/banks/$new/questions?order=name"));
    }

    public function test_what_stands_in_it_is_as_its_schema_says(): void
    {
        $this->out();
        $schema = json_decode(json_encode($this->json(ArchiveFormat::SCHEMA)->raw(), JSON_THROW_ON_ERROR));
        self::assertIsObject($schema);
        $zip = new \ZipArchive();
        $zip->open($this->file);
        $head = json_decode((string) $zip->getFromName(ArchiveFormat::HEAD));
        $questions = json_decode((string) $zip->getFromName(ArchiveFormat::questions(1)));
        $zip->close();
        self::assertTrue((new Validator())->validate($head, $schema)->isValid());
        self::assertIsObject($questions);
        $all = ((array) $questions)['questions'] ?? null;
        self::assertIsArray($all);
        $one = (object) ['$defs' => ((array) $schema)['$defs'], '$ref' => '#/$defs/question'];
        foreach ($all as $question) {
            self::assertTrue((new Validator())->validate($question, $one)->isValid());
        }
    }

    public function test_its_questions_are_read_by_themselves_and_opened_for_another_bank(): void
    {
        $this->out();
        $source = new ArchiveSource($this->file);
        $names = array_map(static fn ($found): ?string => $found->question?->name, iterator_to_array($source->questions(), false));
        self::assertContains('fresh eggs', $names);
        $bank = $this->send('POST', '/api/banks', ['name' => 'Another'], 'Banks', 201)->integer('made');
        $this->client->request('POST', "/api/banks/$bank/intake/package?name=bank.zip", server: ['HTTP_X_ZETEMA' => '1', 'CONTENT_TYPE' => 'application/octet-stream'], content: (string) file_get_contents($this->file));
        $opened = Fields::ofJson($this->client->getInternalResponse()->getContent());
        self::assertStringContainsString("\n  name: fresh eggs\n", $opened->text('text'));
        self::assertArrayHasKey('frame.svg', $opened->textMap('pictures'));
        self::assertNotEmpty(array_filter($opened->objects('unmatched'), static fn (Fields $u): bool => str_contains($u->text('what'), 'pool “')), 'pools come with the whole bank');
    }

    /** @return iterable<string, array{array<string, string|null>, string}> what is other in the archive, and what the refusal says */
    public static function broken(): iterable
    {
        yield 'no head' => [[ArchiveFormat::HEAD => null], 'archive.json'];
        yield 'a head that is no JSON' => [[ArchiveFormat::HEAD => 'archive'], 'archive.json'];
        yield 'a later version' => [[ArchiveFormat::HEAD => '{"archive":7,"bank":"A","questions":0}'], 'version 7'];
    }

    /** @param array<string, string|null> $files */
    #[DataProvider('broken')]
    public function test_what_is_no_archive_is_refused_and_makes_no_bank(array $files, string $why): void
    {
        $before = count($this->send('GET', '/api/banks')->objects('banks'));
        $this->out();
        $this->changed($files);
        self::assertStringContainsString($why, $this->in('Broken', 422)->text('detail'));
        self::assertCount($before, $this->send('GET', '/api/banks')->objects('banks'));
    }

    public function test_an_archive_that_breaks_off_leaves_no_bank_behind(): void
    {
        $before = count($this->send('GET', '/api/banks')->objects('banks'));
        foreach (['[{"number":1,"name":null,"objective":[],"status":"sung","content":{}}]' => 'there should be', '[]' => 'holds none'] as $questions => $why) {
            $this->out();
            $this->changed([ArchiveFormat::questions(1) => "{\"questions\":$questions}"]);
            self::assertStringContainsString($why, $this->in('Broken', 422)->text('detail'));
        }
        self::assertCount($before, $this->send('GET', '/api/banks')->objects('banks'));
    }

    /** The demo's questions so often that they come in in several pieces, and what stands behind them. */
    private function long(string $behind = ''): void
    {
        $this->out();
        $questions = array_map(static fn (Fields $q): array => $q->raw(), $this->json(ArchiveFormat::questions(1))->objects('questions'));
        $all = array_map(static fn (array $q, int $i): string => json_encode([...$q, 'number' => $i + 1, 'name' => null], JSON_THROW_ON_ERROR), [...$questions, ...$questions, ...$questions], array_keys([...$questions, ...$questions, ...$questions]));
        $this->changed([ArchiveFormat::questions(1) => '{"questions":[' . implode(',', $all) . $behind . ']}', ArchiveFormat::HEAD => json_encode([...$this->json(ArchiveFormat::HEAD)->raw(), 'questions' => count($all) + ($behind === '' ? 0 : 1)], JSON_THROW_ON_ERROR)]);
    }

    /** @return resource */
    private static function opened(string $path)
    {
        $file = fopen($path, 'r');
        self::assertNotFalse($file);

        return $file;
    }

    /** @return array<string, int> how many of everything there are */
    private function everything(): array
    {
        $counts = [];
        foreach (['bank', 'question', 'revision', 'revision_tag', 'objective', 'page', 'medium', 'pool', 'pool_question', 'blueprint', 'question_search'] as $table) {
            $counts[$table] = $this->number("SELECT COUNT(*) FROM $table WHERE 1 = ?", 1);
        }

        return $counts;
    }

    public function test_what_breaks_off_after_many_pieces_leaves_nothing_behind(): void
    {
        $before = $this->everything();
        $this->long(',{"number":999,"name":null,"objective":[],"status":"sung","content":{}}');
        self::assertStringContainsString('question 277', $this->in('Broken', 422)->text('detail'));
        self::assertSame($before, $this->everything());
    }

    public function test_it_can_be_stopped_and_leaves_nothing_behind(): void
    {
        $before = $this->everything();
        $this->long();
        $key = self::getContainer()->get(KeptArchives::class)->keep(self::opened($this->file));
        $this->db()->insert('bank', ['name' => 'Halfway', 'is_unfinished' => 1]);
        $bank = (int) $this->db()->lastInsertId();
        $em = self::getContainer()->get(EntityManagerInterface::class);
        $account = $em->getRepository(Account::class)->findOneBy(['login' => 'orrell']);
        self::assertNotNull($account);
        $job = new Job(RestoreBank::name(), $bank, $account, ['archive' => $key], new \DateTimeImmutable());
        $em->persist($job);
        $em->flush();
        $this->db()->executeStatement('UPDATE job SET stop_asked = 1 WHERE id = ?', [$job->id]);
        self::getContainer()->get(Jobs::class)->run(new RunJob($job->id));
        self::assertSame($before, $this->everything());
        self::assertEquals(['stopped', 276], $this->db()->fetchNumeric('SELECT state, total FROM job WHERE id = ?', [$job->id]));
    }

    public function test_noise_and_a_name_that_is_taken_are_refused(): void
    {
        file_put_contents($this->file, random_bytes(3_000));
        self::assertStringContainsString('no whole zip', $this->in('Noise', 422)->text('detail'));
        $this->out();
        self::assertStringContainsString('Apprentice Certificate', $this->in('Apprentice Certificate', 422)->text('detail'));
    }
}
