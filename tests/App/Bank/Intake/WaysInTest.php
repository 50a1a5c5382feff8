<?php

declare(strict_types=1);

namespace Zetema\Tests\App\Bank\Intake;

use PHPUnit\Framework\Attributes\DataProvider;
use Zetema\Core\Data\Fields;
use Zetema\Tests\App\ApiTestCase;

/** Typed papers and tables, from what somebody has to questions of the bank. */
final class WaysInTest extends ApiTestCase
{
    private const PAPER = "Guild paper\n\n1. Who lays? (2 points)\na) drone\nb) queen *\n\n2. Who feeds?\n\n3. Who stings?\nAnswer: worker\n";

    protected function setUp(): void
    {
        parent::setUp();
        $this->logIn('orrell');
    }

    public function test_a_paper_is_recognised_told_line_by_line_and_taken_in_with_what_it_is_given(): void
    {
        $given = ['objective' => 'Swarms > Catching', 'tags' => ['evening'], 'settings' => ['points' => '3', 'shuffle' => 'yes']];
        $read = $this->send('POST', '/api/banks/1/intake/read', ['text' => self::PAPER, 'given' => $given], 'Understood');
        self::assertSame(['paper', [[1, 'Guild paper']]], [$read->text('as'), array_map(static fn (Fields $a): array => [$a->integer('line'), $a->text('text')], $read->objects('aside'))]);
        $told = array_map(
            static fn (Fields $q): array => [$q->integer('fromLine'), $q->optionalObject('question')?->text('kind') ?? $q->objects('problems')[0]->text('message'), $q->text('why')],
            $read->objects('questions'),
        );
        self::assertSame([[3, 'one', 'key B: marked'], [7, 'key missing: nothing says what is right', ''], [9, 'text', 'text: the answer at line 10']], $told);

        $job = $this->send('POST', '/api/banks/1/intake', ['text' => self::PAPER, 'as' => 'paper', 'lines' => [3, 9], 'name' => 'paper.txt', 'given' => $given], 'Job', 201);
        self::assertSame(['done', 2], [$job->text('state'), $job->object('result')->integer('questions')]);
        $list = $this->send('GET', '/api/banks/1/questions?tag=evening', schema: 'QuestionList')->objects('questions');
        self::assertSame(
            [['Who lays?', 'Swarms > Catching', '2', 'draft'], ['Who stings?', 'Swarms > Catching', '3', 'draft']],
            array_map(static fn (Fields $q): array => [$q->text('excerpt'), $q->text('objective'), $q->text('worth'), $q->text('status')], $list),
            'what a question says itself goes before what it is given',
        );
        $settings = array_map(
            fn (Fields $q): array => $this->send('GET', '/api/questions/' . $q->integer('id'))
                ->object('content')
                ->object('settings')
                ->raw(),
            $list,
        );
        self::assertEquals([['points' => '2', 'shuffle' => 'yes'], ['points' => '3']], $settings, 'a text has no answers to shuffle');
    }

    public function test_where_no_kind_is_said_questions_are_asked_as_the_one_they_are_given(): void
    {
        $given = ['kind' => 'several', 'tags' => ['autumn']];
        $read = $this->send('POST', '/api/banks/1/intake/read', ['text' => self::PAPER, 'as' => 'paper', 'given' => $given], 'Understood');
        self::assertSame(['several', 'key B: marked; asked as several, as was chosen'], [$read->objects('questions')[0]->object('question')->text('kind'), $read->objects('questions')[0]->text('why')]);
        $this->send('POST', '/api/banks/1/intake', ['text' => self::PAPER, 'as' => 'paper', 'lines' => [3, 9], 'given' => $given], 'Job', 201);
        self::assertSame(
            ['several', 'text'],
            array_map(static fn (Fields $q): string => $q->text('kind'), $this->send('GET', '/api/banks/1/questions?tag=autumn')->objects('questions')),
            'words that are typed are no choices',
        );
    }

    public function test_a_table_of_its_own_headings_is_mapped_by_hand(): void
    {
        $text = "Wording;One;Two;Reply\n\"Who\nlays?\";drone;queen;B\nWho feeds?;nurse;drone;\n";
        $asked = $this->send('POST', '/api/banks/1/intake/read', ['text' => $text, 'as' => 'table'], 'Understood');
        self::assertSame([1, ['Wording', 'One', 'Two', 'Reply']], [$asked->object('table')->integer('headings'), array_map(static fn (Fields $c): string => $c->text('name'), $asked->object('table')->objects('columns'))]);
        self::assertSame(["Who\nlays?", 'Who feeds?'], $asked->object('table')->objects('columns')[0]->texts('sample'));

        $mapping = ['headings' => 1, 'columns' => ['stem' => [1], 'choices' => [2, 3], 'key' => [4]]];
        $read = $this->send('POST', '/api/banks/1/intake/read', ['text' => $text, 'as' => 'table', 'mapping' => $mapping], 'Understood')->objects('questions');
        self::assertSame([[2, 3], [4, 4]], array_map(static fn (Fields $q): array => [$q->integer('fromLine'), $q->integer('toLine')], $read), 'rows are told by the lines they stand at');
        self::assertSame('Reply', $read[1]->objects('problems')[0]->text('heading'));
        $job = $this->send('POST', '/api/banks/1/intake', ['text' => $text, 'as' => 'table', 'mapping' => $mapping, 'lines' => [2]], 'Job', 201);
        self::assertSame(1, $job->object('result')->integer('questions'));
        self::assertSame('lines', $this->send('POST', '/api/banks/1/intake', ['text' => $text, 'as' => 'table', 'mapping' => $mapping, 'lines' => [4]], status: 422)->text('field'));
    }

    /** @return iterable<string, array{string, string, string, array<string, mixed>}> bytes, name, encoding said; what is told */
    public static function files(): iterable
    {
        yield 'our format' => ["true: A drone flies.\r\n", 'a.zet.txt', '', ['text' => "true: A drone flies.\n", 'as' => 'text', 'encoding' => 'utf-8', 'isSure' => true]];
        yield 'a paper' => ["1. Who?\nAnswer: she", 'a.txt', '', ['as' => 'paper', 'isSure' => true]];
        yield 'a table' => ["Wording;Reply\nWho?;she", 'a.csv', '', ['as' => 'table']];
        yield 'western' => ["1. Wer?\nAnswer: K\xF6nigin", 'a.txt', '', ['text' => "1. Wer?\nAnswer: Königin", 'encoding' => 'windows-1252', 'isSure' => false, 'sample' => 'Answer: Königin']];
        yield 'said otherwise' => ["1. Wer?\nAnswer: K\u{F6}nigin", 'a.txt', 'windows-1252', ['text' => "1. Wer?\nAnswer: KÃ¶nigin", 'isSure' => false]];
        yield 'two bytes a character' => ["\xFF\xFE" . mb_convert_encoding('true: Ja.', 'UTF-16LE', 'UTF-8'), 'a.txt', '', ['text' => 'true: Ja.', 'encoding' => 'utf-16le', 'isSure' => true]];
        $html =
            '<html><body><h2>Queens</h2><ol><li>Who lays?<ol><li>drone</li><li><b>queen</b></li></ol></li><li>Who feeds?</li></ol><p>a) <u>nurse</u></p><p>b) drone</p><p><b>Care</b></p><p>A word.</p><table><tr><td>1. Nurse</td><td>A. feeds</td></tr></table></body></html>';
        yield 'a document' => [$html, 'paste.html', '', ['as' => 'paper', 'text' => "## Queens\n1. Who lays?\nA) drone\nB) **queen**\n2. Who feeds?\nA) **nurse**\nB) drone\n\n## Care\n\nA word.\n1. Nurse\tA. feeds"]];
    }

    /** @param array<string, mixed> $told */
    #[DataProvider('files')]
    public function test_files_are_opened_as_text(string $bytes, string $name, string $encoding, array $told): void
    {
        $opened = $this->opened($bytes, $name, $encoding);

        self::assertEquals($told, array_intersect_key($opened->raw(), $told));
    }

    public function test_files_of_word_processors_are_named_and_told_what_to_do_with(): void
    {
        $path = tempnam(sys_get_temp_dir(), 'zetema-test');
        $zip = new \ZipArchive();
        $zip->open((string) $path, \ZipArchive::OVERWRITE);
        $zip->addFromString('word/document.xml', '<w/>');
        $zip->close();
        foreach (
            [
                'paper.docx' => [(string) file_get_contents((string) $path), 'is a document of a word processor. Save it there as HTML'],
                'paper.pdf' => ["%PDF-1.7\n", 'is a PDF'],
                'paper.rtf' => ['{\\rtf1 x}', 'document of a word processor'],
                'paper.doc' => ["\xD0\xCF\x11\xE0\xA1", 'of an older program'],
            ] as $name => [$bytes, $words]
        ) {
            self::assertStringContainsString($words, $this->opened($bytes, $name, '', 422)->text('detail'));
        }
        unlink((string) $path);
    }

    public function test_what_is_no_text_is_refused_and_says_why(): void
    {
        self::assertStringContainsString('characters that no text has', $this->opened("PDF\0\0\0", 'a.pdf', '', 422)->text('detail'));
        self::assertStringContainsString('no whole zip', $this->opened("PK\x03\x04 but no zip", 'a.xlsx', '', 422)->text('detail'));
        self::assertStringContainsString('encoding', $this->opened('1. Who?', 'a.txt', 'morse', 422)->text('detail'));
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function wrong(): iterable
    {
        yield 'another way in' => [['as' => 'riddle'], 'as'];
        yield 'a mapping that is none' => [['as' => 'table', 'mapping' => ['columns' => ['riddle' => [1]]]], 'riddle'];
        yield 'a setting that is none' => [['given' => ['settings' => ['points' => 'many']]], 'settings'];
        yield 'a kind that is none' => [['given' => ['kind' => 'riddle']], 'kind'];
        yield 'a kind that nothing looks like' => [['given' => ['kind' => 'place']], 'kind'];
        yield 'too many tags' => [['given' => ['tags' => array_map(strval(...), range(1, 21))]], 'tags'];
    }

    /** @param array<string, mixed> $body */
    #[DataProvider('wrong')]
    public function test_what_cannot_be_is_refused(array $body, string $field): void
    {
        self::assertSame($field, $this->send('POST', '/api/banks/1/intake/read', ['text' => self::PAPER, ...$body], status: 422)->text('field'));
    }

    public function test_a_bank_goes_out_as_a_table_and_says_beforehand_what_that_cannot_say(): void
    {
        $told = $this->send('POST', '/api/banks/1/missing', ['as' => 'table', 'filter' => ['kind' => 'one']], 'Job')->object('result');
        $ones = $this->send('GET', '/api/banks/1/questions?kind=one')->integer('total');
        self::assertSame($ones, $told->integer('rows') + count($told->texts('without')));
        $missing = array_column(array_map(static fn (Fields $m): array => [$m->text('what'), $m->integer('questions')], $told->objects('missing')), 1, 0);
        self::assertGreaterThan(10, $missing['status']);
        self::assertArrayNotHasKey('points', $missing);

        $this->client->request('GET', '/api/banks/1/table?kind=one');
        $table = $this->client->getInternalResponse()->getContent();
        $read = $this->send('POST', '/api/banks/1/intake/read', ['text' => $table], 'Understood');
        self::assertSame(['table', $told->integer('rows')], [$read->text('as'), count(array_filter($read->objects('questions'), static fn (Fields $q): bool => $q->optionalObject('question') !== null))]);
        self::assertSame([], array_filter($read->objects('questions'), static fn (Fields $q): bool => $q->optionalObject('known') === null), 'each is known again');
        $all = $this->send('POST', '/api/banks/1/missing', ['as' => 'table'], 'Job')->object('result');
        self::assertNotSame([], $all->texts('without'), 'pictures stand in no row');
    }

    private function opened(string $bytes, string $name, string $encoding, int $status = 200): Fields
    {
        $this->client->request('POST', '/api/intake/open?' . http_build_query(['name' => $name, 'encoding' => $encoding]), server: ['HTTP_X_ZETEMA' => '1', 'CONTENT_TYPE' => 'application/octet-stream'], content: $bytes);
        $answer = $this->client->getInternalResponse();
        self::assertSame($status, $answer->getStatusCode(), $answer->getContent());

        return Fields::ofJson($answer->getContent());
    }
}
