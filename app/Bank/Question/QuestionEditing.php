<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Question;

use Doctrine\ORM\EntityManagerInterface;
use Psr\Clock\ClockInterface;
use Zetema\App\Bank\Bank;
use Zetema\App\Bank\History\BankHistory;
use Zetema\App\Bank\Media\PictureSizes;
use Zetema\App\Bank\Objective\Objective;
use Zetema\App\Bank\Objective\Objectives;
use Zetema\App\Bank\Question\Undoable\Wastebasket;
use Zetema\App\People\Account;
use Zetema\App\Shared\Saving;
use Zetema\App\Shared\Stale;
use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Question as Core;

/** Where questions are made, edited, copied, brought back and moved from draft to cleared. They need not be whole to be kept. */
final readonly class QuestionEditing
{
    private const MOST_AT_ONCE = 50;
    private const STALE = 'This question was saved in another window or by someone else since you opened it. Your text is still here; take the newer one or save yours over it.';

    public function __construct(
        private EntityManagerInterface $em,
        private Saving $saving,
        private Objectives $objectives,
        private QuestionView $view,
        private PictureSizes $sizes,
        private Clearances $clearances,
        private Wastebasket $wastebasket,
        private BankHistory $history,
        private ClockInterface $clock,
    ) {
    }

    /** @return Question the first, if several of a kind are made at once */
    public function make(Bank $bank, Fields $body, Account $author): Question
    {
        $path = self::path($body->text('objective', ''));
        $name = self::name($body);
        $count = $body->integer('count', 1);
        if ($count < 1 || $count > self::MOST_AT_ONCE || ($count > 1 && $name !== null)) {
            throw new Malformed('count', sprintf('must be 1 to %d, and only one question can have the name', self::MOST_AT_ONCE));
        }
        $sketch = Core\Sketch::of($this->sizes->fill($bank, $body->object('content')), $name, $path);

        return $this->saving->make(function () use ($bank, $path, $sketch, $name, $author, $count): Question {
            $this->refuseTakenName($bank, $name, null);
            $objective = $this->objective($bank, $path);
            $made = [];
            for ($i = 0; $i < max(1, $count); ++$i) {
                $question = new Question($bank, $objective, $sketch, $name, $author, $this->clock->now());
                $this->em->persist($question);
                $made[] = $question;
            }
            $this->em->flush();

            return $made[0];
        });
    }

    /** @throws Stale if it was saved elsewhere since it was opened; it is read once, where it is written */
    public function edit(int $id, Fields $body, Account $author): Question
    {
        $path = self::path($body->text('objective', ''));
        $name = self::name($body);

        return $this->change($id, $body->integer('version'), function (Question $question) use ($body, $name, $path, $author): void {
            $sketch = Core\Sketch::of($this->sizes->fill($question->bank, $body->object('content')), $name, $path, $question->status());
            $this->refuseTakenName($question->bank, $name, $question);
            $objective = $this->objective($question->bank, $path);
            if ($sketch->data === $question->newest()->content() && $name === $question->name() && $objective === $question->objective()) {
                return;
            }
            $question->edit($sketch, $name, $objective, $this->saving->again(Account::class, $author->id), $this->clock->now());
        });
    }

    /** A draft with all that the question says, under no name. */
    public function copy(Question $question, Account $author): Question
    {
        return $this->saving->make(function () use ($question, $author): Question {
            $sketch = Core\Sketch::of(Fields::of($question->newest()->content()), null, $question->objective()?->names() ?? []);
            $copy = new Question($question->bank, $question->objective(), $sketch, null, $author, $this->clock->now());
            $this->em->persist($copy);
            $this->em->flush();

            return $copy;
        });
    }

    /** Makes an older revision the newest again; those between stay. */
    public function restore(Question $question, Fields $body, Account $author): Question
    {
        return $this->change($question->id, $body->integer('version'), function (Question $question) use ($body, $author): void {
            $older = Revisions::numbered($question, $body->integer('number'));
            $sketch = Core\Sketch::of(
                Fields::of($older->content()),
                $question->name(),
                $question->objective()?->names() ?? [],
                $question->status(),
            );
            $question->edit(
                $sketch,
                $question->name(),
                $question->objective(),
                $this->saving->again(Account::class, $author->id),
                $this->clock->now(),
                afresh: true,
            );
        });
    }

    /** Throws a draft into the wastebasket; refused if it was ever cleared, since papers may hold it. */
    public function remove(Question $question, int $version, Account $account): void
    {
        $this->saving->change(
            Question::class,
            $question->id,
            $version,
            function (Question $question) use ($account): void {
                foreach ($question->revisions() as $revision) {
                    if ($revision->wasCleared()) {
                        throw new Malformed('status', 'was cleared before, and papers may hold it; retire it instead');
                    }
                }
                $this->history->record(
                    $question->bank,
                    $account,
                    Wastebasket::kind(),
                    sprintf('threw away the question “%s”', $question->name() ?? $question->excerpt()),
                    $this->wastebasket->kept($question),
                );
                $question->forgetNewest();
                $this->em->flush();
                $this->em->remove($question);
                $this->em->flush();
                $this->objectives->dropEmpty($question->bank);
            },
            self::STALE,
            $this->view->of(...),
        );
    }

    public function moveTo(Question $question, Fields $body, Account $account): Question
    {
        $status = Core\Status::tryFrom($body->text('status')) ?? throw new Malformed('status', 'is no status of a question');

        return $this->change($question->id, $body->integer('version'), function (Question $question) use ($status, $account): void {
            if ($status === Core\Status::Cleared && $question->status() !== $status && !$this->clearances->let($question, $account)) {
                throw StepRefused::toOneWhoWrote();
            }
            $question->moveTo($status, $account->role->inTheBank());
        });
    }

    /** What is kept about a question and is no part of it: a note to self, and whether it is a house pattern. */
    public function keepAbout(Question $question, Fields $body): Question
    {
        return $this->change($question->id, $body->integer('version'), static function (Question $question) use ($body): void {
            if ($body->has('selfNote')) {
                $note = $body->text('selfNote');
                $question->noteToSelf(
                    mb_strlen($note) <= 10_000 ? $note : throw new Malformed('selfNote', 'has more than 10,000 characters'),
                );
            }
            if ($body->has('isPattern')) {
                $question->keepAsPattern($body->flag('isPattern'));
            }
        });
    }

    /** @param callable(Question): void $change */
    private function change(int $id, int $version, callable $change): Question
    {
        return $this->saving->change(
            Question::class,
            $id,
            $version,
            function (Question $question) use ($change): Question {
                $before = $question->objective();
                $change($question);
                $this->em->flush();
                if (
                    $before !== $question->objective() ||
                    $question->status() === Core\Status::Cleared ||
                    $question->status() === Core\Status::Retired
                ) {
                    $this->objectives->dropEmpty($question->bank);
                }

                return $question;
            },
            self::STALE,
            $this->view->of(...),
        );
    }

    private function refuseTakenName(Bank $bank, ?string $name, ?Question $but): void
    {
        if ($name === null || $name === $but?->name()) {
            return;
        }
        $taken = $this->em->getRepository(Question::class)->findOneBy(['bank' => $bank, 'name' => $name]);
        if ($taken !== null && $taken !== $but) {
            throw new Malformed('name', sprintf('“%s” is the name of another question of this bank', $name));
        }
    }

    /** @param list<string> $path */
    private function objective(Bank $bank, array $path): ?Objective
    {
        return $path === [] ? null : $this->objectives->at($bank, $path);
    }

    private static function name(Fields $body): ?string
    {
        $name = trim($body->text('name', ''));

        return $name === '' ? null : (mb_strlen($name) > 80 ? throw new Malformed('name', 'has more than 80 characters') : $name);
    }

    /** @return list<string> */
    private static function path(string $path): array
    {
        return $path === '' ? [] : array_map(trim(...), explode('>', $path));
    }
}
