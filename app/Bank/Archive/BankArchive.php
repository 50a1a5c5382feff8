<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Archive;

use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use Zetema\App\Bank\Apart\ApartPairs;
use Zetema\App\Bank\Bank;
use Zetema\App\Bank\Media\Media;
use Zetema\App\Bank\Media\Medium;
use Zetema\App\Bank\Objective\Objective;
use Zetema\App\Bank\Out\QuestionsInOrder;
use Zetema\App\Bank\Out\Selection;
use Zetema\App\Bank\Page\Page;
use Zetema\App\Bank\Question\Question;
use Zetema\App\Shared\Row;
use Zetema\Core\Data\Fields;
use Zetema\Core\Exchange\Archive\ArchiveFormat;
use Zetema\Core\Exchange\Archive\ArchiveWriter;

/**
 * A bank as an archive: its settings, objectives, questions as they stand and as they are dealt, pages, pools, blueprints, and its
 * pictures, sound and film. Or some of its questions with what belongs to them.
 */
final readonly class BankArchive
{
    public function __construct(
        private EntityManagerInterface $em,
        private Connection $db,
        private QuestionsInOrder $questions,
        private Media $media,
        private ArchivedWithBank $others,
        private ApartPairs $apart,
    ) {
    }

    /**
     * @param list<int> $blueprints that go along with a selection, by their ids; with all of a bank all of them do
     *
     * @return \Generator<string, string> contents by path; little of them is in memory
     */
    public function files(Bank $bank, Selection $selection = new Selection(), array $blueprints = []): \Generator
    {
        $needed = $selection->questions === null ? null : new NeededWith();
        $numbers = [];
        $waiting = [];
        $piece = 0;
        foreach ($this->questions->of($bank, $selection->questions) as $questions) {
            foreach ($questions as $question) {
                $numbers[$question->id] = count($numbers) + 1;
                $waiting[] = self::question($question, count($numbers));
                $needed?->question($question);
            }
            while (count($waiting) >= ArchiveFormat::PIECE) {
                yield ArchiveFormat::questions(++$piece) => ArchiveWriter::json([
                    'questions' => array_splice($waiting, 0, ArchiveFormat::PIECE),
                ]);
            }
        }
        if ($waiting !== []) {
            yield ArchiveFormat::questions(++$piece) => ArchiveWriter::json(['questions' => $waiting]);
        }
        // Going through the questions let go of everything.
        $bank = $this->em->find(Bank::class, $bank->id) ?? throw new \LogicException('it was there');
        $told = $this->others->told($bank, $numbers, $needed === null ? null : $blueprints);
        $needed?->planned($told);
        $pages = $this->pages($bank, $needed);
        $media = array_values(
            array_filter($this->media->of($bank), static fn (Medium $m): bool => $needed === null || $needed->hasFile($m->name)),
        );
        yield ArchiveFormat::HEAD => ArchiveWriter::json([
            'archive' => ArchiveFormat::VERSION,
            'bank' => $bank->name(),
            'settings' => ArchiveWriter::objects($bank->own()->toData()),
            'objectives' => $this->objectives($bank, $needed),
            'pages' => $pages,
            'pools' => $this->pools($bank, $numbers, $needed),
            'apart' => array_values(
                array_filter(
                    array_map(
                        static fn (array $pair): array => [$numbers[$pair[0]] ?? 0, $numbers[$pair[1]] ?? 0],
                        $this->apart->of($bank),
                    ),
                    static fn (array $pair): bool => !in_array(0, $pair, true),
                ),
            ),
            'blueprints' => $told,
            'questions' => count($numbers),
            'media' => array_map(static fn (Medium $m): string => $m->name, $media),
        ]);
        yield ArchiveFormat::SCHEMA => ArchiveWriter::json(ArchiveFormat::schema(), JSON_PRETTY_PRINT);
        foreach ($media as $medium) {
            $contents = @file_get_contents($this->media->path($medium->hash));
            if ($contents !== false) {
                yield ArchiveFormat::MEDIA . $medium->name => $contents;
            }
        }
    }

    /** @return list<array<string, mixed>> */
    private function objectives(Bank $bank, ?NeededWith $needed): array
    {
        $objectives = array_map(
            static fn (array $row): array => [
                'path' => explode(Objective::SEPARATOR, is_string($row['path']) ? $row['path'] : ''),
                'code' => $row['code'],
                'description' => $row['description'],
                'kept' => (bool) $row['is_kept'],
            ],
            $this->db->fetchAllAssociative('SELECT path, code, description, is_kept FROM objective WHERE bank_id = ? ORDER BY place, id', [
                $bank->id,
            ]),
        );

        return $needed === null
            ? $objectives
            : array_values(array_filter($objectives, static fn (array $objective): bool => $needed->hasObjective($objective['path'])));
    }

    /** @return list<array{name: string, heading: string|null, reads: string}> */
    private function pages(Bank $bank, ?NeededWith $needed): array
    {
        $pages = [];
        foreach ($this->em->getRepository(Page::class)->findBy(['bank' => $bank], ['name' => 'ASC']) as $page) {
            if ($needed === null || $needed->hasPage($page->name())) {
                $needed?->page($page->reads());
                $pages[] = ['name' => $page->name(), 'heading' => $page->heading(), 'reads' => $page->reads()];
            }
        }

        return $pages;
    }

    /**
     * @param array<int, int> $numbers
     *
     * @return list<array<string, mixed>>
     */
    private function pools(Bank $bank, array $numbers, ?NeededWith $needed): array
    {
        $pools = [];
        foreach ($this->db->fetchAllAssociative('SELECT id, name, filter FROM pool WHERE bank_id = ? ORDER BY id', [$bank->id]) as $row) {
            $row = Fields::of($row);
            $filter = json_decode($row->optionalText('filter') ?? 'null', true, 512, JSON_THROW_ON_ERROR);
            // What an assessment of this bank holds is nothing elsewhere.
            if ((is_array($filter) && isset($filter['assessment'])) || $needed?->hasPool($row->text('name')) === false) {
                continue;
            }
            $members = array_map(
                static fn (mixed $id): ?int => $numbers[Row::int($id)] ?? null,
                $this->db->fetchFirstColumn('SELECT question_id FROM pool_question WHERE pool_id = ? ORDER BY question_id', [
                    $row->integer('id'),
                ]),
            );
            $pools[] = [
                'name' => $row->text('name'),
                'filter' => is_array($filter) ? (object) $filter : null,
                'questions' => array_values(array_filter($members, is_int(...))),
            ];
        }

        return $pools;
    }

    /** @return array<string, mixed> */
    private static function question(Question $question, int $number): array
    {
        $dealt = $question->cleared();

        return [
            'number' => $number,
            'name' => $question->name(),
            'objective' => $question->objective()?->names() ?? [],
            'status' => $question->status()->value,
            'content' => $question->newest()->content(),
            ...$dealt === null || $dealt === $question->newest() ? [] : ['dealt' => $dealt->content()],
            ...$question->isPattern() ? ['pattern' => true] : [],
            ...$question->selfNote() === '' ? [] : ['note' => $question->selfNote()],
        ];
    }
}
