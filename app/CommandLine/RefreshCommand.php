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

#[AsCommand('zetema:refresh', 'Works out anew what follows from the questions of all banks: words for searching, what is sorted by, worths, notes of the proofreader')]
final readonly class RefreshCommand
{
    private const PIECE = 100;

    public function __construct(private EntityManagerInterface $em, private WhatFollows $follows, private Invigilation $invigilation)
    {
    }

    public function __invoke(OutputInterface $output, #[Option('Only questions that were never gone through, as after an upgrade')] bool $missing = false): int
    {
        $last = 0;
        $done = 0;
        do {
            $questions = $this->em->createQuery('SELECT q, n, c, b FROM ' . Question::class . ' q JOIN q.bank b LEFT JOIN q.newest n LEFT JOIN q.cleared c WHERE q.id > :last' . ($missing ? " AND q.inLists.stemKey = '' AND q.inLists.excerpt <> ''" : '') . ' ORDER BY q.id')
                ->setParameter('last', $last)->setMaxResults(self::PIECE)->getResult();
            $questions = array_filter(is_array($questions) ? $questions : [], static fn (mixed $q): bool => $q instanceof Question);
            $db = $this->em->getConnection();
            $db->transactional(function () use ($questions, $db): void {
                foreach ($questions as $question) {
                    $question->refresh($db);
                    $this->follows->write($question);
                }
            });
            $last = max([0, ...array_map(static fn (Question $q): int => $q->id, array_values($questions))]);
            $done += count($questions);
            $this->em->clear();
        } while ($questions !== []);
        $sittings = $this->catchUp();
        $output->writeln(sprintf('%d questions and %d sittings gone through.', $done, $sittings), OutputInterface::VERBOSITY_VERBOSE);

        return 0;
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
