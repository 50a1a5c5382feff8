<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Archive;

use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use Psr\Clock\ClockInterface;
use Zetema\App\Background\Job;
use Zetema\App\Background\Progress;
use Zetema\App\Background\Task;
use Zetema\App\Bank\Apart\ApartPairs;
use Zetema\App\Bank\Bank;
use Zetema\App\Bank\Media\Media;
use Zetema\App\Bank\Objective\Objective;
use Zetema\App\Bank\Objective\Objectives;
use Zetema\App\Bank\Page\Page;
use Zetema\App\Bank\Question\Question;
use Zetema\App\Bank\UnfinishedBanks;
use Zetema\App\People\Account;
use Zetema\App\Shared\Lock;
use Zetema\App\Shared\Row;
use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Data\ToldToPeople;
use Zetema\Core\Exchange\Archive\Archive;
use Zetema\Core\Exchange\Zip\RefusedZip;
use Zetema\Core\Exchange\Zip\SafeZip;
use Zetema\Core\Question\BankRole;
use Zetema\Core\Question\Sketch;
use Zetema\Core\Question\Status;

/**
 * Fills a bank that was made for it with what an archive holds, a piece at a time: all of it, or, if something of it cannot be taken in,
 * nothing; nobody sees it before.
 */
final readonly class RestoreBank implements Task
{
    public const AT_ONCE = 500;

    public function __construct(
        private EntityManagerInterface $em,
        private Connection $db,
        private Objectives $objectives,
        private Media $media,
        private KeptArchives $kept,
        private ArchivedWithBank $others,
        private UnfinishedBanks $unfinished,
        private ApartPairs $apart,
        private ClockInterface $clock,
    ) {
    }

    public static function name(): string
    {
        return 'restore bank';
    }

    public function run(Job $job, Progress $progress): ?array
    {
        try {
            $archive = new Archive(SafeZip::open($this->kept->path(Fields::of($job->input)->text('archive'))));
            $progress->begin($archive->count());
            $this->around($archive, $job, $progress);
            $ids = $progress->isStopped() ? null : $this->questions($archive, $job, $progress);
        } catch (RefusedZip $e) {
            throw new Malformed('file', $e->getMessage());
        }
        if ($ids !== null) {
            $progress->piece(Lock::bank($job->bankId), count($ids), function () use ($archive, $job, $ids): array {
                $this->beside($archive, $job->bankId, $ids);
                $this->unfinished->finish($job->bankId);

                return [];
            });
            $this->kept->forget(Fields::of($job->input)->text('archive'));
        }

        return null;
    }

    public function abandon(Job $job): void
    {
        $this->kept->forget(Fields::of($job->input)->text('archive', ''));
        $this->unfinished->remove($job->bankId, $job->account);
    }

    /** What questions refer to and stand in: files one by one, then settings, objectives, pages. */
    private function around(Archive $archive, Job $job, Progress $progress): void
    {
        $lock = Lock::bank($job->bankId);
        $media = $archive->media();
        for ($next = $progress->cursor()->integer('media', 0); $next < count($media); ++$next) {
            if (
                !$progress->piece(
                    $lock,
                    0,
                    function () use ($archive, $job, $media, $next): array {
                        $this->media->restore($this->bank($job->bankId), $media[$next], $archive->medium($media[$next]));

                        return ['media' => $next + 1];
                    },
                    0,
                )
            ) {
                return;
            }
        }
        if (!$progress->cursor()->flag('around', false)) {
            $progress->piece(
                $lock,
                0,
                function () use ($archive, $job, $media): array {
                    $bank = $this->bank($job->bankId);
                    $account = $this->account($job);
                    $bank->set($archive->settings);
                    $this->objectives->ensure(
                        $bank,
                        array_values(array_filter(array_map(static fn (Fields $o): array => $o->texts('path'), $archive->objectives()))),
                    );
                    $this->em->flush();
                    foreach ($archive->objectives() as $objective) {
                        $this->db->update(
                            'objective',
                            [
                                'code' => mb_substr($objective->text('code', ''), 0, 40),
                                'description' => $objective->text('description', ''),
                                'is_kept' => (int) $objective->flag('kept', false),
                            ],
                            ['bank_id' => $bank->id, 'path' => implode(Objective::SEPARATOR, $objective->texts('path'))],
                        );
                    }
                    foreach ($archive->pages() as $page) {
                        $this->em->persist(new Page($bank, $page->name, $page->heading, $page->reads, $account, $this->clock->now()));
                    }

                    return ['media' => count($media), 'around' => true];
                },
                0,
            );
        }
    }

    /** @return array<int, int>|null ids by the numbers in the archive; null once somebody asked to stop */
    private function questions(Archive $archive, Job $job, Progress $progress): ?array
    {
        // Those that came in before it was left: nobody else puts questions into a bank that nobody sees.
        $known = Row::ints($this->db->fetchFirstColumn('SELECT id FROM question WHERE bank_id = ? ORDER BY id', [$job->bankId]));
        $ids = $piece = [];
        foreach ($archive->questions() as $place => $data) {
            $number = $data->integer('number', $place);
            if (count($ids) < count($known)) {
                $ids[$number] = $known[count($ids)];
                continue;
            }
            $piece[$number] = [$place, $data];
            if (count($piece) >= $progress->size()) {
                if (!$this->piece($piece, $job, $progress, $ids)) {
                    return null;
                }
                $piece = [];
            }
        }

        return $this->piece($piece, $job, $progress, $ids) ? $ids : null;
    }

    /**
     * @param array<int, array{int, Fields}> $piece each with its place, by the numbers in the archive
     * @param array<int, int> $ids those so far
     */
    private function piece(array $piece, Job $job, Progress $progress, array &$ids): bool
    {
        $this->em->clear();
        $made = [];
        $goesOn = $progress->piece(
            Lock::bank($job->bankId),
            count($ids) + count($piece),
            function () use ($piece, $job, &$made): array {
                [$bank, $account] = [$this->bank($job->bankId), $this->account($job)];
                foreach ($piece as $number => [$place, $data]) {
                    try {
                        $made[$number] = $this->question($bank, $account, $data);
                    } catch (ToldToPeople $e) {
                        throw new Malformed(sprintf('question %d', $place), $e->getMessage());
                    }
                }

                return ['around' => true, 'media' => \PHP_INT_MAX];
            },
            count($piece),
        );
        $ids += array_map(static fn (Question $question): int => $question->id, $made);
        $this->em->clear();

        return $goesOn;
    }

    /** @param array<int, int> $ids by the numbers in the archive */
    private function beside(Archive $archive, int $bank, array $ids): void
    {
        foreach ($archive->pools() as $pool) {
            $filter = $pool->optionalObject('filter');
            $this->db->insert('pool', [
                'bank_id' => $bank,
                'name' => mb_substr($pool->text('name'), 0, 80),
                'filter' => $filter === null ? null : json_encode((object) $filter->raw(), JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE),
            ]);
            $id = $this->db->lastInsertId();
            foreach (array_unique($pool->integers('questions', optional: true)) as $number) {
                if (isset($ids[$number])) {
                    $this->db->insert('pool_question', ['pool_id' => $id, 'question_id' => $ids[$number]]);
                }
            }
        }
        foreach ($archive->apart() as [$one, $other]) {
            $this->apart->add($ids[$one] ?? 0, $ids[$other] ?? 0);
        }
        $this->others->restore($this->bank($bank), $archive->blueprints(), $ids);
    }

    private function question(Bank $bank, Account $account, Fields $data): Question
    {
        $status = Status::tryFrom($data->text('status')) ?? throw new Malformed('status', 'is none');
        $path = $data->texts('objective');
        $objective = $path === [] ? null : $this->objectives->at($bank, $path);
        $name = $data->optionalText('name');
        if ($name !== null && ($name === '' || mb_strlen($name) > 80)) {
            throw new Malformed('name', 'has 1 to 80 characters');
        }
        $sketch = static fn (Fields $content, Status $status): Sketch => Sketch::of($content, $name, $path, $status);
        $dealt = $data->optionalObject('dealt');
        $now = $this->clock->now();
        if ($dealt === null) {
            $question = new Question($bank, $objective, $sketch($data->object('content'), $status), $name, $account, $now);
        } else {
            $question = new Question($bank, $objective, $sketch($dealt, Status::Cleared), $name, $account, $now);
            $question->edit($sketch($data->object('content'), Status::Draft), $name, $objective, $account, $now, afresh: true);
            if ($status === Status::InReview && $question->newest()->isWhole()) {
                $question->moveTo($status, BankRole::Author);
            }
        }
        $question->keepAsPattern($data->flag('pattern', false));
        $question->noteToSelf($data->text('note', ''));
        $this->em->persist($question);

        return $question;
    }

    private function account(Job $job): Account
    {
        return $this->em->find(Account::class, $job->account->id) ?? throw new \LogicException('a job is begun by somebody');
    }

    private function bank(int $id): Bank
    {
        return $this->em->find(Bank::class, $id) ?? throw new \LogicException('a bank was made for it');
    }
}
