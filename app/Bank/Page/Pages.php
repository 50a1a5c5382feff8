<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Page;

use Doctrine\ORM\EntityManagerInterface;
use Psr\Clock\ClockInterface;
use Zetema\App\Bank\Bank;
use Zetema\App\Bank\History\BankHistory;
use Zetema\App\Bank\Question\Undoable\Wastebasket;
use Zetema\App\People\Account;
use Zetema\App\Shared\Saving;
use Zetema\App\Shared\Stale;
use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Question\TextWork;

/** Where a bank's pages are written. */
final readonly class Pages
{
    public function __construct(
        private EntityManagerInterface $em,
        private Saving $saving,
        private ClockInterface $clock,
        private BankHistory $history,
        private Wastebasket $wastebasket,
    ) {
    }

    /** @return list<Page> by name */
    public function of(Bank $bank): array
    {
        return $this->em->getRepository(Page::class)->findBy(['bank' => $bank], ['name' => 'ASC']);
    }

    public function make(Bank $bank, Fields $body, Account $author): Page
    {
        return $this->saving->make(function () use ($bank, $body, $author): Page {
            [$name, $heading, $reads] = $this->checked($bank, $body, null);
            $page = new Page($bank, $name, $heading, $reads, $author, $this->clock->now());
            $this->em->persist($page);
            $this->em->flush();

            return $page;
        });
    }

    /** @throws Stale if it was saved elsewhere since it was opened */
    public function edit(Page $page, Fields $body, Account $author): Page
    {
        return $this->change($page, $body->integer('version'), function (Page $page) use ($body, $author): void {
            [$name, $heading, $reads] = $this->checked($page->bank, $body, $page);
            $page->write($name, $heading, $reads, $this->saving->again(Account::class, $author->id), $this->clock->now());
        });
    }

    /** Into the wastebasket. @throws Stale */
    public function remove(Page $page, int $version, Account $account): void
    {
        $this->change($page, $version, function (Page $page) use ($account): void {
            $this->history->record(
                $page->bank,
                $account,
                Wastebasket::kind(),
                sprintf('took out the page “%s”', $page->name()),
                $this->wastebasket->keptPage($page),
            );
            $this->em->remove($page);
        });
    }

    /** @param callable(Page): void $change */
    private function change(Page $page, int $version, callable $change): Page
    {
        return $this->saving->change(
            Page::class,
            $page->id,
            $version,
            function (Page $page) use ($change): Page {
                $change($page);
                $this->em->flush();

                return $page;
            },
            'This page was saved in another window or by someone else since you opened it. Your text is still here.',
            static fn (Page $page): array => $page->toData(),
        );
    }

    /** @return array{string, string|null, string} */
    private function checked(Bank $bank, Fields $body, ?Page $page): array
    {
        $name = trim($body->text('name'));
        if ($name === '' || mb_strlen($name) > 80 || str_contains($name, "\n")) {
            throw new Malformed('name', 'has 1 to 80 characters; authors call the page by it, candidates never see it');
        }
        $taken = $this->em->getRepository(Page::class)->findOneBy(['bank' => $bank, 'name' => $name]);
        if ($taken !== null && $taken !== $page) {
            throw new Malformed('name', sprintf('“%s” is the name of another page of this bank', $name));
        }
        $heading = trim($body->text('heading', ''));
        $reads = $body->text('reads', '');
        if (mb_strlen($heading) > 200 || mb_strlen($reads) > 100_000) {
            throw new Malformed(
                mb_strlen($heading) > 200 ? 'heading' : 'reads',
                'is too long: a heading has up to 200, a page up to 100,000 characters',
            );
        }

        $problem = TextWork::problem($reads);
        if ($problem !== null) {
            throw new Malformed('reads', sprintf('has %s, which no screen can show in good time', $problem));
        }

        return [$name, $heading === '' ? null : $heading, $reads];
    }
}
