<?php

declare(strict_types=1);

namespace Zetema\App\CommandLine\Backup;

use Doctrine\ORM\EntityManagerInterface;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Output\OutputInterface;
use Zetema\App\Bank\Media\MediaFiles;
use Zetema\App\CommandLine\Files\QuestionFiles;
use Zetema\App\Delivery\Papers;
use Zetema\App\Delivery\Sitting;
use Zetema\App\Delivery\Stored\SittingStore;
use Zetema\App\Shared\Dialect\Dialects;
use Zetema\Core\Sitting\Run\Conduct;
use Zetema\Core\Sitting\Stored\Snapshot;

#[AsCommand(
    'zetema:verify',
    'Looks whether all is whole: the database, what refers to what, counts, files, and that each sitting is what its events come to',
),]
final readonly class VerifyCommand
{
    private const PIECE = 100;

    public function __construct(
        private EntityManagerInterface $em,
        private MediaFiles $files,
        private Papers $papers,
        private SittingStore $store,
    ) {
    }

    public function __invoke(OutputInterface $output): int
    {
        $db = $this->em->getConnection();
        $text = static fn (mixed $value): string => is_scalar($value) ? (string) $value : '';
        $problems = Dialects::of($db)->damage($db);
        foreach (
            $db->fetchAllAssociative(
                'SELECT b.name, COALESCE((SELECT SUM(c.questions) FROM question_count c WHERE c.bank_id = b.id), 0) AS counted, (SELECT COUNT(*) FROM question q WHERE q.bank_id = b.id) AS there FROM bank b',
            ) as $row
        ) {
            if ($row['counted'] !== $row['there']) {
                $problems[] = sprintf(
                    '“%s” counts %s questions and has %s',
                    $text($row['name']),
                    $text($row['counted']),
                    $text($row['there']),
                );
            }
        }
        $hashes = array_filter($db->fetchFirstColumn('SELECT DISTINCT hash FROM medium'), is_string(...));
        foreach ($hashes as $hash) {
            if (!$this->files->has($hash)) {
                $problems[] = "the file $hash is missing or not whole";
            }
        }
        $sittings = 0;
        $problems = [...$problems, ...$this->sittings($sittings)];
        QuestionFiles::print($output, [
            'whole' => $problems === [],
            'files' => count($hashes),
            'sittings' => $sittings,
            'problems' => $problems,
        ]);

        return $problems === [] ? 0 : 1;
    }

    /** @return list<string> */
    private function sittings(int &$looked): array
    {
        $problems = [];
        $ids = $this->em->getConnection()->fetchFirstColumn('SELECT id FROM sitting WHERE state IS NOT NULL ORDER BY id');
        foreach (array_chunk($ids, self::PIECE) as $piece) {
            foreach ($this->em->getRepository(Sitting::class)->findBy(['id' => $piece], ['id' => 'ASC']) as $sitting) {
                ++$looked;
                $paper = $this->papers->paper($sitting);
                $conduct = new Conduct($paper, $sitting->terms());
                $told = static fn (mixed $state): string => json_encode($state, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE);
                if (
                    $told(Snapshot::toData($conduct->replay($this->store->events($sitting, $paper)))) !==
                    $told(Snapshot::toData($this->store->state($sitting, $paper, $conduct)))
                ) {
                    $problems[] = "sitting {$sitting->id} is not what its events come to";
                }
            }
            $this->em->clear();
        }

        return $problems;
    }
}
