<?php

declare(strict_types=1);

namespace Zetema\Tests\App\Blueprint;

use Zetema\Core\Data\Fields;
use Zetema\Core\Exchange\Found;
use Zetema\Core\Exchange\Qti\Package\PackageSource;
use Zetema\Tests\App\ApiTestCase;

/** A blueprint of a bank goes out as a package with all that it can deal; the package comes in again as a blueprint. */
final class AssessmentPackageTest extends ApiTestCase
{
    private int $id;

    protected function setUp(): void
    {
        parent::setUp();
        $this->logIn('orrell');
        $this->id = $this->send('POST', '/api/banks/1/blueprints', ['title' => 'Hive paper'], status: 201)->integer('id');
    }

    /** @param list<array<string, mixed>> $steps */
    private function write(array $steps): void
    {
        $version = $this->send('GET', "/api/blueprints/$this->id")->integer('version');
        $this->send('PUT', "/api/blueprints/$this->id/document", [
            'version' => $version,
            'document' => [
                'v' => 2,
                'title' => 'Hive paper',
                'opening' => 'before you begin',
                'rules' => ['moving' => 'forward only'],
                'pass' => ['percent' => '60'],
                'sections' => [['id' => 's', 'title' => 'Hive', 'time' => '600 s', 'steps' => $steps]],
            ],
        ]);
    }

    /** @return array{list<string>, list<array<string, mixed>>} names of its questions, and the steps of its test */
    private function package(string $as): array
    {
        $this->client->request('GET', "/api/blueprints/$this->id/package?as=$as");
        self::assertSame(200, $this->client->getInternalResponse()->getStatusCode());
        $path = (string) tempnam(sys_get_temp_dir(), 'zetema-test');
        file_put_contents($path, $this->client->getInternalResponse()->getContent());
        $source = PackageSource::ofZip($path);
        $names = array_map(static fn (Found $f): string => $f->question->name ?? '', iterator_to_array($source->questions(), false));
        unlink($path);
        $report = $source->report();
        self::assertSame([[], []], [$report->problems, $report->unmatched]);
        self::assertSame([['Hive', 600]], array_map(static fn (array $t): array => [$t['title'], $t['seconds']], $report->assessments[0]->timed));

        return [$names, $report->assessments[0]->steps];
    }

    public function test_all_that_it_can_deal_goes_out_under_the_names_that_authors_know(): void
    {
        $this->write([['id' => '1', 'question' => 'fresh eggs'], ['id' => '2', 'draw' => ['take' => 2, 'pool' => ['objective' => 'Hive inspection', 'kinds' => ['place', 'order']]]]]);
        $missing = $this->send('GET', "/api/blueprints/$this->id/package/missing?as=qti30");
        $lost = array_column(array_map(static fn (Fields $m): array => [$m->text('what'), $m->texts('items')], $missing->objects('missing')), 1, 0);
        self::assertSame(['step 2'], $lost['pool by condition, written as a list']);
        self::assertSame('fresh eggs', $lost['hint costs'][0]);
        self::assertSame(['before you begin'], $lost['opening page']);
        foreach (['qti21', 'qti30'] as $as) {
            [$names, $steps] = $this->package($as);
            self::assertCount($missing->integer('questions'), $names);
            self::assertSame('fresh eggs', $names[0]);
            self::assertSame(['fresh eggs', 2, array_slice($names, 1)], [$steps[0]['question'], $steps[1]['draw']['take'], $steps[1]['draw']['pool']['only']]); // @phpstan-ignore-line
        }
    }

    public function test_a_pool_that_the_bank_keeps_is_written_as_the_list_it_is_now(): void
    {
        $pool = $this->send('GET', '/api/banks/1/pools')->objects('pools')[0]->text('name');
        $this->write([['id' => '1', 'draw' => ['take' => 1, 'pool' => ['in' => $pool]]]]);
        [$names, $steps] = $this->package('qti30');
        self::assertNotSame([], $names);
        self::assertSame($names, $steps[0]['draw']['pool']['only']); // @phpstan-ignore-line
    }

    private function got(string $path): string
    {
        $this->client->request('GET', $path);
        self::assertSame(200, $this->client->getInternalResponse()->getStatusCode());

        return $this->client->getInternalResponse()->getContent();
    }

    public function test_text_and_table_hold_its_questions_as_they_are_dealt(): void
    {
        $this->write([['id' => '1', 'question' => 'fresh eggs'], ['id' => '2', 'draw' => ['take' => 1, 'pool' => ['objective' => 'Hive inspection', 'kinds' => ['place']]]]]);
        $id = $this->send('GET', '/api/banks/1/questions?search=fresh+eggs')->objects('questions')[0]->integer('id');
        $question = $this->send('GET', "/api/questions/$id");
        $this->send(
            'PUT',
            "/api/questions/$id",
            [
                'version' => $question->integer('version'),
                'name' => 'fresh eggs',
                'objective' => $question->optionalText('objective') ?? '',
                'content' => [...$question->object('content')->raw(), 'stem' => 'A draft beside what is dealt.'],
            ],
            'Question',
        );
        $text = $this->got("/api/blueprints/$this->id/text");
        self::assertStringContainsString("\n  name: fresh eggs\n", $text);
        self::assertStringNotContainsString('A draft beside', $text);
        $missing = $this->send('GET', "/api/blueprints/$this->id/table/missing", schema: 'AssessmentMissing');
        self::assertSame('questions that no row can hold', $missing->objects('missing')[0]->text('what'), 'where something is to be placed on a picture');
        $table = $this->got("/api/blueprints/$this->id/table");
        self::assertCount($missing->integer('questions') + 1, explode("\n", trim($table)), 'a row each under the headings');
    }

    public function test_its_archive_is_a_bank_in_which_the_same_seed_deals_the_same(): void
    {
        $pool = $this->send('GET', '/api/banks/1/pools')->objects('pools')[0]->text('name');
        $this->write([
            ['id' => '1', 'question' => 'fresh eggs'],
            ['id' => '2', 'draw' => ['take' => 2, 'pool' => ['objective' => 'Hive inspection', 'kinds' => ['place', 'order']]]],
            ['id' => '3', 'draw' => ['take' => 1, 'pool' => ['in' => $pool]]],
        ]);
        $this->client->request('POST', '/api/banks/from-archive?name=Moved', server: ['HTTP_X_ZETEMA' => '1', 'CONTENT_TYPE' => 'application/octet-stream'], content: $this->got("/api/blueprints/$this->id/archive"));
        $made = Fields::ofJson($this->client->getInternalResponse()->getContent())->integer('made');
        $blueprints = $this->send('GET', "/api/banks/$made/blueprints")->objects('blueprints');
        self::assertSame(['Hive paper'], array_map(static fn (Fields $b): string => $b->text('title'), $blueprints), 'the others of its bank stay there');
        self::assertSame([$pool], array_map(static fn (Fields $p): string => $p->text('name'), $this->send('GET', "/api/banks/$made/pools")->objects('pools')));
        $form = fn (int $blueprint): array => array_map(
            static fn (Fields $q): array => array_diff_key($q->raw(), ['id' => 1, 'question' => 1]),
            $this->send('POST', "/api/blueprints/$blueprint/deal", ['seed' => 7])->objects('questions'),
        );
        self::assertSame($form($this->id), $form($blueprints[0]->integer('id')));
        self::assertSame(['fresh eggs'], array_map(static fn (Fields $q): ?string => $q->optionalText('name'), $this->send('GET', "/api/banks/$made/questions?search=fresh+eggs")->objects('questions')));
    }

    public function test_what_may_not_be_dealt_yet_keeps_it_in(): void
    {
        $draft = $this->send(
            'POST',
            '/api/banks/1/questions',
            ['name' => null, 'objective' => null, 'content' => ['kind' => 'one', 'stem' => 'Which?', 'choices' => [['id' => 1, 'text' => 'a', 'key' => true], ['id' => 2, 'text' => 'b', 'key' => false]]]],
            status: 201,
        )->integer('id');
        $this->write([['id' => '1', 'question' => "q$draft"]]);
        $refused = $this->send('GET', "/api/blueprints/$this->id/package/missing?as=qti30", status: 422);
        self::assertStringContainsString("“q{$draft}” is not cleared yet", $refused->text('detail'));
        self::assertSame('as', $this->send('GET', "/api/blueprints/$this->id/package?as=paper", status: 422)->text('field'));
    }
}
