<?php

declare(strict_types=1);

namespace Zetema\App\CommandLine;

use Doctrine\ORM\EntityManagerInterface;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Output\OutputInterface;
use Zetema\App\CommandLine\Files\TextFiles;
use Zetema\App\Delivery\Invigilation;
use Zetema\App\Delivery\Sitting;

#[AsCommand('zetema:settle', 'Does what clocks have brought about in sittings that nobody has looked at since')]
final class SettleCommand
{
    private const PIECE = 100;

    public function __construct(private readonly EntityManagerInterface $em, private readonly Invigilation $invigilation)
    {
    }

    public function __invoke(OutputInterface $output): int
    {
        $settled = $last = 0;
        do {
            $ids = $this->em->getConnection()->fetchFirstColumn('SELECT id FROM sitting WHERE ended_at IS NULL AND due < ? AND id > ? ORDER BY id LIMIT ' . self::PIECE, [intdiv($this->invigilation->now(), 1000), $last]);
            foreach ($ids as $id) {
                $sitting = $this->em->find(Sitting::class, $id);
                if ($sitting !== null) {
                    $this->invigilation->settle($sitting);
                    ++$settled;
                }
                $last = is_numeric($id) ? (int) $id : $last;
            }
            $this->em->clear();
        } while ($ids !== []);
        TextFiles::print($output, ['settled' => $settled]);

        return 0;
    }
}
