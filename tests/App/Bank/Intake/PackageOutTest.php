<?php

declare(strict_types=1);

namespace Zetema\Tests\App\Bank\Intake;

use Zetema\Core\Data\Fields;
use Zetema\Core\Exchange\Found;
use Zetema\Core\Exchange\Qti\Package\PackageSource;
use Zetema\Tests\App\ApiTestCase;

/** What a list is narrowed to goes out as a package of the open standard, with what that cannot say told beforehand. */
final class PackageOutTest extends ApiTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->logIn('orrell');
    }

    public function test_what_it_cannot_say_is_told_beforehand(): void
    {
        $missing = $this->send('POST', '/api/banks/1/missing', ['as' => 'qti30', 'filter' => ['kind' => 'number']], 'Job')->object('result');
        $what = array_column(array_map(static fn (Fields $m): array => [$m->text('what'), $m->integer('questions')], $missing->objects('missing')), 1, 0);
        self::assertGreaterThan(4, $missing->integer('rows'));
        self::assertArrayHasKey('unit', $what);
        self::assertArrayNotHasKey('typos', $what, 'no text is among them');
        self::assertNotEmpty(
            $this->send('POST', '/api/banks/1/missing', ['as' => 'qti21'])
                ->object('result')
                ->texts('without'),
            'a draft that is not whole stays out',
        );
        self::assertSame('as', $this->send('POST', '/api/banks/1/missing', ['as' => 'riddle'], status: 422)->text('field'));
    }

    public function test_a_list_goes_out_with_its_pictures_and_comes_in_again(): void
    {
        foreach (['qti21', 'qti30'] as $as) {
            $this->client->request('GET', "/api/banks/1/package?as=$as&kind=place");
            $path = (string) tempnam(sys_get_temp_dir(), 'zetema-test');
            file_put_contents($path, $this->client->getInternalResponse()->getContent());
            $source = PackageSource::ofZip($path);
            $found = iterator_to_array($source->questions(), false);
            unlink($path);
            self::assertSame(['parts of a frame', 'parts of the hive'], array_map(static fn (Found $f): ?string => $f->question?->name, $found));
            self::assertSame([[], []], [$source->report()->problems, $source->report()->unmatched]);
        }
    }
}
