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
use Zetema\App\Bank\Question\Listing\SearchIndex;
use Zetema\App\Bank\Question\Question;
use Zetema\App\People\Account;
use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Exchange\Archive\Archive;
use Zetema\Core\Exchange\Zip\RefusedZip;
use Zetema\Core\Exchange\Zip\SafeZip;
use Zetema\Core\Question\BankRole;
use Zetema\Core\Question\Sketch;
use Zetema\Core\Question\Status;

/** Fills a bank that was made for it with what an archive holds: all of it, or, if something of it cannot be taken in, nothing. */
final readonly class RestoreBank implements Task
{
    public const AT_ONCE = 500;
    private const PIECE = 100;

    public function __construct(private EntityManagerInterface $em, private Connection $db, private Objectives $objectives, private Media $media, private KeptArchives $kept, private ArchivedWithBank $others, private SearchIndex $search, private ApartPairs $apart, private ClockInterface $clock)
    {
    }

    public static function name(): string
    {
        return 'restore bank';
    }

    public function run(Job $job, Progress $progress): ?array
    {
        $input = Fields::of($job->input);
        $path = $this->kept->path($input->text('archive'));
        try {
            $archive = new Archive(SafeZip::open($path));
            $progress->begin($archive->count());
            // In pieces, so that others can save meanwhile.
            try {
                if (!$this->restore($archive, $job->bankId, $input->integer('account'), $progress)) {
                    $this->forget($job->bankId);
                }
            } catch (\Throwable $e) {
                $this->forget($job->bankId);
                throw $e;
            }
        } catch (RefusedZip $e) {
            throw new Malformed('file', $e->getMessage());
        } finally {
            $this->kept->forget($input->text('archive'));
        }

        return null;
    }

    /** A bank that holds only a part of it would mislead. */
    private function forget(int $bank): void
    {
        $this->em->clear();
        $this->db->transactional(function () use ($bank): void {
            $this->db->executeStatement('UPDATE objective SET parent_id = NULL WHERE bank_id = ?', [$bank]);
            foreach (['blueprint', 'pool', 'question', 'page', 'medium', 'objective'] as $table) {
                $this->db->executeStatement("DELETE FROM $table WHERE bank_id = ?", [$bank]);
            }
            $this->search->forgetRemoved();
            $this->db->executeStatement('DELETE FROM bank WHERE id = ?', [$bank]);
        });
    }

    /** @return bool false once somebody asked to stop */
    private function restore(Archive $archive, int $bankId, int $accountId, Progress $progress): bool
    {
        $bank = $this->bank($bankId);
        $account = $this->em->find(Account::class, $accountId) ?? throw new \LogicException('a job is begun by somebody');
        $bank->set($archive->settings);
        foreach ($archive->media() as $name) {
            $this->media->restore($bank, $name, $archive->medium($name));
        }
        $this->objectives->ensure($bank, array_values(array_filter(array_map(static fn (Fields $o): array => $o->texts('path'), $archive->objectives()))));
        $this->em->flush();
        foreach ($archive->objectives() as $objective) {
            $this->db->update('objective', ['code' => mb_substr($objective->text('code', ''), 0, 40), 'description' => $objective->text('description', ''), 'is_kept' => (int) $objective->flag('kept', false)], ['bank_id' => $bank->id, 'path' => implode(Objective::SEPARATOR, $objective->texts('path'))]);
        }
        foreach ($archive->pages() as $page) {
            $this->em->persist(new Page($bank, $page->name, $page->heading, $page->reads, $account, $this->clock->now()));
        }
        $this->em->flush();
        $ids = $this->questions($archive, $bankId, $accountId, $progress);
        if ($ids === null) {
            return false;
        }
        $bank = $this->bank($bankId);
        foreach ($archive->pools() as $pool) {
            $filter = $pool->optionalObject('filter');
            $this->db->insert('pool', ['bank_id' => $bankId, 'name' => mb_substr($pool->text('name'), 0, 80), 'filter' => $filter === null ? null : json_encode((object) $filter->raw(), JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE)]);
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
        $this->db->transactional(fn () => $this->others->restore($bank, $archive->blueprints(), $ids));

        return true;
    }

    /** @return array<int, int>|null ids by the numbers in the archive; null once somebody asked to stop */
    private function questions(Archive $archive, int $bankId, int $accountId, Progress $progress): ?array
    {
        $ids = $made = [];
        foreach ($archive->questions() as $place => $data) {
            $bank = $this->bank($bankId);
            $account = $this->em->find(Account::class, $accountId) ?? throw new \LogicException('a job is begun by somebody');
            try {
                $made[$data->integer('number', $place)] = $this->question($bank, $account, $data);
            } catch (\DomainException $e) {
                throw new Malformed(sprintf('question %d', $place), $e->getMessage());
            }
            if (count($made) >= self::PIECE) {
                $ids += $this->store($made);
                $made = [];
                if (!$progress->at(count($ids))) {
                    return null;
                }
            }
        }

        $ids += $this->store($made);
        $progress->at(count($ids));

        return $ids;
    }

    /**
     * @param array<int, Question> $made by the numbers in the archive
     *
     * @return array<int, int> their ids
     */
    private function store(array $made): array
    {
        $this->em->flush();
        $ids = array_map(static fn (Question $question): int => $question->id, $made);
        $this->em->clear();

        return $ids;
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

    private function bank(int $id): Bank
    {
        return $this->em->find(Bank::class, $id) ?? throw new \LogicException('a bank was made for it');
    }
}
