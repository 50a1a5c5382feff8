<?php

declare(strict_types=1);

namespace Zetema\Tests\App\Bank\Intake;

use PHPUnit\Framework\Attributes\DataProvider;
use Zetema\Core\Data\Fields;
use Zetema\Tests\App\ApiTestCase;

/** Columns of a table that were said by hand are kept by name, for everybody who may bring questions in. */
final class MappingsTest extends ApiTestCase
{
    private const COLUMNS = ['headings' => 2, 'columns' => ['stem' => 1, 'key' => 3, 'choices' => [4, null, 5]]];

    protected function setUp(): void
    {
        parent::setUp();
        $this->logIn('orrell');
    }

    /** @return list<string> */
    private static function names(Fields $told): array
    {
        return array_map(static fn (Fields $m): string => $m->text('name'), $told->objects('mappings'));
    }

    public function test_they_are_kept_written_over_offered_to_others_and_let_go_of(): void
    {
        $this->send('PUT', '/api/intake/mappings', ['name' => 'Summer', 'headings' => ['Wording', '', 'Reply'], 'mapping' => self::COLUMNS], 'KeptMappings');
        $told = $this->send('PUT', '/api/intake/mappings', ['name' => ' Autumn ', 'headings' => ['Question'], 'mapping' => ['headings' => 1, 'columns' => ['stem' => 1]]], 'KeptMappings');
        self::assertSame(['Autumn', 'Summer'], self::names($told));
        $told = $this->send('PUT', '/api/intake/mappings', ['name' => 'Autumn', 'headings' => ['Question', 'Key'], 'mapping' => ['headings' => 0, 'columns' => ['stem' => 1, 'key' => 2]]]);
        self::assertSame([['Question', 'Key'], 0], [$told->objects('mappings')[0]->texts('headings'), $told->objects('mappings')[0]->object('mapping')->integer('headings')]);
        self::assertCount(2, $told->objects('mappings'));

        $this->logIn('kestle');
        $told = $this->send('GET', '/api/intake/mappings', schema: 'KeptMappings');
        self::assertSame(['Autumn', 'Summer'], self::names($told));
        self::assertEquals(self::COLUMNS, $told->objects('mappings')[1]->object('mapping')->raw());
        $left = $this->send('DELETE', '/api/intake/mappings/' . $told->objects('mappings')[0]->integer('id'), schema: 'KeptMappings');
        self::assertSame(['Summer'], self::names($left));
    }

    /** @return iterable<string, array{array<string, mixed>, string}> what is wrong, and the field it is about */
    public static function wrong(): iterable
    {
        yield 'no name' => [['name' => ' '], 'name'];
        yield 'a name that is too long' => [['name' => str_repeat('x', 81)], 'name'];
        yield 'no columns' => [['headings' => []], 'headings'];
        yield 'too many columns' => [['headings' => array_fill(0, 201, '')], 'headings'];
        yield 'something that no column holds' => [['mapping' => ['columns' => ['colour' => 1]]], 'colour'];
        yield 'a place that is none' => [['mapping' => ['columns' => ['stem' => 0]]], 'stem'];
        yield 'no mapping' => [['mapping' => 'stem'], 'mapping'];
    }

    /** @param array<string, mixed> $part */
    #[DataProvider('wrong')]
    public function test_what_is_no_mapping_is_refused(array $part, string $field): void
    {
        $refused = $this->send('PUT', '/api/intake/mappings', [...['name' => 'Summer', 'headings' => ['Wording'], 'mapping' => self::COLUMNS], ...$part], status: 422);
        self::assertSame($field, $refused->text('field'));
        self::assertSame([], self::names($this->send('GET', '/api/intake/mappings')));
    }
}
