<?php

declare(strict_types=1);

namespace Zetema\App\CommandLine;

use Doctrine\ORM\EntityManagerInterface;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Attribute\Option;
use Symfony\Component\Console\Output\OutputInterface;
use Zetema\App\Bank\Question\Question;
use Zetema\App\Bank\Question\WhatFollows;
use Zetema\App\Delivery\Invigilation;
use Zetema\App\Delivery\Sitting;
use Zetema\App\Shared\Lock;
use Zetema\App\Shared\Transactions;

#[AsCommand(
    'zetema:refresh',
    'Works out anew what follows from the questions of all banks: words for searching, what is sorted by, worths, notes of the proofreader',
),]
final readonly class RefreshCommand
{
    private const PIECE = 100;

    public function __construct(
        private EntityManagerInterface $em,
        private WhatFollows $follows,
        private Invigilation $invigilation,
        private Transactions $transactions,
    ) {
    }

    public function __invoke(
        OutputInterface $output,
        #[Option('Only questions that were never gone through, as after an upgrade')]
        bool $missing = false,
    ): int {
        $last = 0;
        $done = 0;
        do {
            // Read within the transaction: what follows from a question follows from how it stands now.
            $questions = $this->transactions->ofRows(Lock::house(), fn (): array => $this->piece($last, $missing));
            $last = max([0, ...$questions]);
            $done += count($questions);
            $this->em->clear();
        } while ($questions !== []);
        $sittings = $this->catchUp();
        $output->writeln(sprintf('%d questions and %d sittings gone through.', $done, $sittings), OutputInterface::VERBOSITY_VERBOSE);

        return 0;
    }

    /** @return list<int> ids of the questions that were gone through */
    private function piece(int $last, bool $missing): array
    {
        $questions = $this->em
            ->createQuery(
                'SELECT q, n, c, b FROM ' .
                    Question::class .
                    ' q JOIN q.bank b LEFT JOIN q.newest n LEFT JOIN q.cleared c WHERE q.id > :last' .
                    ($missing ? " AND q.inLists.stemKey = '' AND q.inLists.excerpt <> ''" : '') .
                    ' ORDER BY q.id',
            )
            ->setParameter('last', $last)
            ->setMaxResults(self::PIECE)
            ->getResult();
        $questions = array_values(
            array_filter(is_array($questions) ? $questions : [], static fn (mixed $q): bool => $q instanceof Question),
        );
        foreach ($questions as $question) {
            $question->refresh($this->em->getConnection());
            $this->follows->write($question);
        }

        return array_map(static fn (Question $q): int => $q->id, $questions);
    }

    /** Sittings of an earlier version have no snapshot, and no marks as rows. */
    private function catchUp(): int
    {
        $done = 0;
        foreach ($this->em->getConnection()->fetchFirstColumn('SELECT id FROM sitting WHERE state IS NULL') as $id) {
            $sitting = $this->em->find(Sitting::class, $id);
            if ($sitting !== null) {
                $this->invigilation->catchUp($sitting);
                ++$done;
            }
            $this->em->clear();
        }

        return $done;
    }
}
