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
        $this->send('PUT', "/api/blueprints/$this->id/document", ['version' => $version, 'document' => ['v' => 2, 'title' => 'Hive paper', 'rules' => ['moving' => 'forward only'], 'pass' => ['percent' => '60'], 'sections' => [['id' => 's', 'title' => 'Hive', 'time' => '600 s', 'steps' => $steps]]]]);
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
        self::assertSame('fresh eggs', $lost['costs of a hint'][0]);
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

    public function test_what_may_not_be_dealt_yet_keeps_it_in(): void
    {
        $draft = $this->send('POST', '/api/banks/1/questions', ['name' => null, 'objective' => null, 'content' => ['kind' => 'one', 'stem' => 'Which?', 'choices' => [['id' => 1, 'text' => 'a', 'key' => true], ['id' => 2, 'text' => 'b', 'key' => false]]]], status: 201)->integer('id');
        $this->write([['id' => '1', 'question' => "q$draft"]]);
        $refused = $this->send('GET', "/api/blueprints/$this->id/package/missing?as=qti30", status: 422);
        self::assertStringContainsString("“q{$draft}” is not cleared yet", $refused->text('detail'));
        self::assertSame('as', $this->send('GET', "/api/blueprints/$this->id/package?as=paper", status: 422)->text('field'));
    }
}
