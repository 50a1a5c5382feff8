<?php

declare(strict_types=1);

namespace Zetema\App\CommandLine;

use Doctrine\DBAL\ParameterType;
use Doctrine\ORM\EntityManagerInterface;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Output\OutputInterface;
use Zetema\App\CommandLine\Files\QuestionFiles;
use Zetema\App\Delivery\Going;
use Zetema\App\Delivery\Invigilation;
use Zetema\App\Delivery\Sitting;
use Zetema\Core\Sitting\Act\Act;
use Zetema\Core\Sitting\Act\Close;
use Zetema\Core\Time\Instant;

#[AsCommand('zetema:settle', 'Does what clocks have brought about in sittings that nobody has looked at since')]
final class SettleCommand
{
    private const PIECE = 100;
    /**
     * Milliseconds without a sign of its candidate after which a sitting without any clock is closed, as by staff: others wait for its end.
     */
    private const LEFT = 86_400_000;

    public function __construct(private readonly EntityManagerInterface $em, private readonly Invigilation $invigilation)
    {
    }

    public function __invoke(OutputInterface $output): int
    {
        $settled = $last = 0;
        do {
            $ids = $this->em
                ->getConnection()
                ->fetchFirstColumn(
                    'SELECT id FROM sitting WHERE ended_at IS NULL AND due < ? AND id > ? ORDER BY id LIMIT ' . self::PIECE,
                    [$this->invigilation->now()->inMillis(), $last],
                );
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
        QuestionFiles::print($output, ['settled' => $settled, 'closed' => $this->closeLeft()]);

        return 0;
    }

    private function closeLeft(): int
    {
        $ids = $this->em
            ->getConnection()
            ->fetchFirstColumn(
                'SELECT id FROM sitting WHERE ended_at IS NULL AND due IS NULL AND edition_id IS NOT NULL AND COALESCE(last_sign, started_at) < ? ORDER BY id',
                [$this->invigilation->now()->inMillis() - self::LEFT],
                [ParameterType::INTEGER],
            );
        foreach ($ids as $id) {
            $sitting = $this->em->find(Sitting::class, $id);
            if ($sitting !== null) {
                $this->invigilation->byStaff($sitting, static fn (Going $going, Instant $now): Act => new Close($now));
            }
            $this->em->clear();
        }

        return count($ids);
    }
}
