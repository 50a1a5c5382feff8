<?php

declare(strict_types=1);

namespace Zetema\App\Intake;

use Doctrine\ORM\EntityManagerInterface;
use Psr\Clock\ClockInterface;
use Zetema\App\Background\Job;
use Zetema\App\Background\Progress;
use Zetema\App\Background\Task;
use Zetema\App\Bank\Bank;
use Zetema\App\Bank\Batch;
use Zetema\App\Bank\ComesWithBatch;
use Zetema\App\Bank\Media\PictureSizes;
use Zetema\App\Bank\Objective\Objective;
use Zetema\App\Bank\Objective\Objectives;
use Zetema\App\Bank\Page\Page;
use Zetema\App\Bank\Question\Question;
use Zetema\App\Bank\Stored\RowsOfBatch;
use Zetema\App\People\Account;
use Zetema\App\Shared\Lock;
use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Exchange\Found;
use Zetema\Core\Question as Core;
use Zetema\Core\Question\Sketch;

/**
 * Takes the questions of a text into a bank, a piece at a time. What was checked when it began may have changed since: a name that is taken
 * by now is left out.
 */
final readonly class TakeIn implements Task
{
    /** Up to so many questions take about a second. */
    public const AT_ONCE = 300;

    public function __construct(
        private EntityManagerInterface $em,
        private Objectives $objectives,
        private PictureSizes $sizes,
        private BankLookup $lookup,
        private KnownQuestions $known,
        private BringingAgain $again,
        private ComesWithBatch $beside,
        private TakingBack $entries,
        private RowsOfBatch $came,
        private ClockInterface $clock,
    ) {
    }

    public static function name(): string
    {
        return 'take in';
    }

    public function run(Job $job, Progress $progress): array
    {
        $input = Fields::of($job->input);
        $chosen = array_fill_keys($input->integers('lines'), true);
        $batch = $input->integer('batch');
        $progress->begin(count($chosen));
        $brought = Brought::of($input);
        $source = $brought->source();
        $at = $progress->cursor();
        $done = $at->integer('done', 0);
        $called = $at->textMap('called');
        $passed = 0;
        $piece = [];
        // Those that came in before it was left are passed over: a source gives the same each time.
        foreach ($source->questions() as $read) {
            if ($read->question === null || !isset($chosen[$read->fromLine]) || ++$passed <= $done) {
                continue;
            }
            $piece[] = [$brought->given->to($read->question), $brought->again[$read->fromLine] ?? ''];
            if (count($piece) >= $progress->size()) {
                $done += count($piece);
                if (!$this->piece($progress, $job->bankId, $batch, $piece, $done, $called)) {
                    return [...$this->batch($batch)->toData(), 'blueprints' => []];
                }
                $piece = [];
            }
        }
        $done += count($piece);
        $goesOn = $piece === [] || $this->piece($progress, $job->bankId, $batch, $piece, $done, $called);
        // What stands beside the questions, once they are all there.
        $beside = $progress->cursor();
        if ($goesOn && !$beside->has('blueprints')) {
            $progress->piece(
                Lock::bank($job->bankId),
                $done,
                function () use ($batch, $source, $input, $called, $done): array {
                    $batch = $this->batch($batch);
                    $this->takeInPages($batch, $batch->bank, $source->report()->pages, $batch->account);
                    // Blueprints name pages, and ask the database for them.
                    $this->em->flush();
                    $this->again->end($batch);
                    $this->entries->goOn($batch, isAtWork: false);

                    return [
                        'done' => $done,
                        'called' => (object) $called,
                        'blueprints' => $this->beside->takeIn($batch, $input->objects('blueprints', optional: true), $called),
                    ];
                },
                0,
            );
            $beside = $progress->cursor();
        }

        return [
            ...$this->batch($batch)->toData(),
            'blueprints' => array_map(static fn (Fields $b): array => $b->raw(), $beside->objects('blueprints', optional: true)),
        ];
    }

    /** What came in stays, and can be taken back. */
    public function abandon(Job $job): void
    {
        $batch = $this->em->find(Batch::class, Fields::of($job->input)->integer('batch', 0));
        if ($batch !== null) {
            $this->again->end($batch);
            $this->entries->goOn($batch, isAtWork: false);
        }
    }

    private function batch(int $id): Batch
    {
        return $this->em->find(Batch::class, $id) ?? throw new Malformed('batch', 'is gone');
    }

    /**
     * @param list<array{Core\Question, string}> $piece
     * @param array<array-key, string> $called
     */
    private function piece(Progress $progress, int $bank, int $batch, array $piece, int $done, array &$called): bool
    {
        $this->em->clear();
        $goesOn = $progress->piece(
            Lock::bank($bank),
            $done,
            function () use ($batch, $piece, $done, &$called): array {
                $called += $this->takeIn($this->batch($batch), $piece);

                return ['done' => $done, 'called' => (object) $called];
            },
            count($piece),
        );
        $this->em->clear();

        return $goesOn;
    }

    /**
     * @param list<array{Core\Question, string}> $decided each with what becomes of it where the bank has it
     *
     * @return array<array-key, string> names that questions came in under, where theirs were taken
     */
    private function takeIn(Batch $batch, array $decided): array
    {
        $bank = $batch->bank;
        [$questions, $called] = $this->revise($batch, $decided);
        $taken = $this->lookup->names(
            $bank,
            array_values(array_filter(array_map(static fn (Core\Question $q): ?string => $q->name, $questions), is_string(...))),
        );
        $new = array_values(array_filter($questions, static fn (Core\Question $q): bool => $q->name === null || !isset($taken[$q->name])));
        $objectives = $this->objectives->ensure($bank, array_map(static fn (Core\Question $q): array => $q->objective, $new), $batch);
        foreach ($new as $question) {
            $objective = $objectives[implode(Objective::SEPARATOR, $question->objective)] ?? null;
            $this->em->persist(
                new Question(
                    $bank,
                    $objective,
                    $this->sketch($bank, $question),
                    $question->name,
                    $batch->account,
                    $this->clock->now(),
                    $batch,
                ),
            );
        }
        $batch->count(count($new));
        $this->em->flush();
        $this->entries->goOn($batch, isAtWork: true);
        $this->came->cameIn($batch->id);

        return $called;
    }

    /**
     * Those that are to be new revisions become so; those that are to be others than the bank's get names of their own.
     *
     * @param list<array{Core\Question, string}> $decided
     *
     * @return array{list<Core\Question>, array<array-key, string>} the new ones, and names they got where theirs were taken
     */
    private function revise(Batch $batch, array $decided): array
    {
        $found = array_map(static fn (array $one, int $i): Found => new Found($i, $i, $one[0], []), $decided, array_keys($decided));
        $ids = array_intersect_key(
            $this->known->ids($batch->bank, $found),
            array_filter($decided, static fn (array $one): bool => $one[1] !== ''),
        );
        $paths = array_map(static fn (int $i): array => $decided[$i][0]->objective, array_keys($ids));
        $objectives = $this->objectives->ensure($batch->bank, array_values(array_filter($paths)), $batch);
        $revised = $new = $called = [];
        foreach ($decided as $i => [$question, $what]) {
            if ($what === 'revise' && isset($ids[$i])) {
                $revised[$ids[$i][0]] = [
                    $this->sketch($batch->bank, $question),
                    $question->name,
                    $objectives[implode(Objective::SEPARATOR, $question->objective)] ?? null,
                ];
            } else {
                $isTaken = $what === 'another' && isset($ids[$i]) && $question->name !== null;
                $new[] = $isTaken
                    ? $question->named($called[$question->name] = $this->freeName($batch->bank, $question->name))
                    : $question;
            }
        }
        $this->again->revise($batch, $revised);

        return [$new, $called];
    }

    private function freeName(Bank $bank, string $name): string
    {
        $names = array_map(static fn (int $n): string => mb_substr($name, 0, 76) . ' ' . $n, range(2, 200));
        $taken = $this->lookup->names($bank, $names);

        return array_values(array_filter($names, static fn (string $one): bool => !isset($taken[$one])))[0] ??
            mb_substr($name, 0, 60) . ' ' . bin2hex(random_bytes(4));
    }

    /** @param list<\Zetema\Core\Exchange\TextFormat\Page> $pages */
    private function takeInPages(Batch $batch, Bank $bank, array $pages, Account $account): void
    {
        foreach ($pages as $page) {
            if ($this->em->getRepository(Page::class)->findOneBy(['bank' => $bank, 'name' => $page->name]) === null) {
                $this->em->persist(new Page($bank, $page->name, $page->heading, $page->reads, $account, $this->clock->now(), $batch));
            }
        }
    }

    private function sketch(Bank $bank, Core\Question $question): Sketch
    {
        return Sketch::of(
            $this->sizes->fill($bank, Fields::of($question->toData())),
            $question->name,
            $question->objective,
            $question->status,
        );
    }
}
