<?php

declare(strict_types=1);

namespace Zetema\App\Bank;

use Doctrine\ORM\EntityManagerInterface;
use Psr\Clock\ClockInterface;
use Zetema\App\People\Account;
use Zetema\App\Shared\Stale;
use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Question as Core;

/** Where questions are made, edited and moved from draft to cleared. */
final readonly class QuestionDesk
{
    public function __construct(private EntityManagerInterface $em, private Objectives $objectives, private QuestionView $view, private ClockInterface $clock)
    {
    }

    public function make(Bank $bank, Fields $body, Account $author): Question
    {
        $path = self::path($body->text('objective', ''));
        $content = Core\Question::fromData($body->object('content'), self::name($body), $path);
        Screens::refuseWithout($content);
        $this->refuseTakenName($bank, $content->name, null);
        $objective = $path === [] ? null : $this->objectives->ensure($bank, [$path])[implode(Objective::SEPARATOR, $path)];
        $question = new Question($bank, $objective, $content, $author, $this->clock->now());
        $this->em->persist($question);
        $this->em->flush();

        return $question;
    }

    /** @throws Stale if it was saved elsewhere since it was opened */
    public function edit(Question $question, Fields $body, Account $author): void
    {
        $this->refuseStale($question, $body->integer('version'));
        $path = self::path($body->text('objective', ''));
        $content = Core\Question::fromData($body->object('content'), self::name($body), $path, $question->status());
        Screens::refuseWithout($content);
        $this->refuseTakenName($question->bank, $content->name, $question);
        $objective = $path === [] ? null : $this->objectives->ensure($question->bank, [$path])[implode(Objective::SEPARATOR, $path)];
        $unchanged = $content->toData() === $question->newest()->content() && $content->name === $question->name() && $objective === $question->objective();
        if (!$unchanged) {
            $question->edit($content, $objective, $author, $this->clock->now());
            $this->em->flush();
        }
    }

    public function moveTo(Question $question, Fields $body): void
    {
        $this->refuseStale($question, $body->integer('version'));
        $question->moveTo(Core\Status::tryFrom($body->text('status')) ?? throw new Malformed('status', 'is no status of a question'));
        $this->em->flush();
    }

    private function refuseStale(Question $question, int $version): void
    {
        if ($version !== $question->version()) {
            throw new Stale('This question was saved in another window or by someone else since you opened it. Your text is still here; take the newer one or save yours over it.', $this->view->of($question));
        }
    }

    private function refuseTakenName(Bank $bank, ?string $name, ?Question $but): void
    {
        if ($name === null) {
            return;
        }
        $taken = $this->em->getRepository(Question::class)->findOneBy(['bank' => $bank, 'name' => $name]);
        if ($taken !== null && $taken !== $but) {
            throw new Malformed('name', sprintf('“%s” is the name of another question of this bank', $name));
        }
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
