<?php

declare(strict_types=1);

namespace Zetema\App\Blueprint;

use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use Zetema\App\Bank\Batch;
use Zetema\App\Bank\ComesWithBatch;
use Zetema\App\Shared\Conflict;
use Zetema\Core\Blueprint\Plain\PlainRules;
use Zetema\Core\Blueprint\Reading\BlueprintReader;
use Zetema\Core\Blueprint\Reading\BlueprintRefused;
use Zetema\Core\Blueprint\Reading\KnownParts;
use Zetema\Core\Blueprint\Reading\NamedQuestions;
use Zetema\Core\Data\Fields;
use Zetema\Core\Data\ToldToPeople;
use Zetema\Core\Drawing\DealingPlan;

/** Blueprints that come in with a batch of questions, as the tests of a package do. */
final readonly class BroughtBlueprints implements ComesWithBatch
{
    public function __construct(private Connection $db, private EntityManagerInterface $em, private SittingsOfAssessments $sittings)
    {
    }

    public function takeIn(Batch $batch, array $documents, array $called): array
    {
        $told = [];
        foreach ($documents as $document) {
            $names = new BankNames($this->em, $this->db, $batch->bank, withDrafts: true);
            $stored = $names->stored(NamedQuestions::called($document->raw(), static fn (string $name): string => $called[$name] ?? $name));
            $names->lookUp($stored);
            $known = new KnownParts($names->has(...));
            $parts = $known->of($stored);
            $title = mb_substr($document->text('title'), 0, 160);
            try {
                if (Fields::of($parts)->objects('sections') === []) {
                    throw new Conflict('none of its questions came in');
                }
                $read = BlueprintReader::read($parts, $names);
                $blueprint = new Blueprint($batch->bank, $read->title, new DealingPlan([]), new PlainRules(), $batch);
                $blueprint->write($read->title, (array) $parts);
                $this->em->persist($blueprint);
                $this->em->flush();
                $told[] = ['id' => $blueprint->id, 'title' => $read->title, 'missing' => $known->missing, 'problem' => null];
            } catch (ToldToPeople $e) {
                $why = $e instanceof BlueprintRefused ? array_map(static fn ($r): string => $r->message, $e->refusals) : [$e->getMessage()];
                $told[] = [
                    'id' => null,
                    'title' => $title,
                    'missing' => $known->missing,
                    'problem' => implode('; ', array_unique($why)),
                ];
            }
        }

        return $told;
    }

    public function takeBack(Batch $batch): array
    {
        $free =
            'batch_id = ? AND version = 1 AND NOT EXISTS (SELECT 1 FROM edition e WHERE e.blueprint_id = blueprint.id) AND ' .
            $this->sittings->none('blueprint.id');
        $taken = $this->db->executeStatement('DELETE FROM blueprint WHERE ' . $free, [$batch->id]);
        $kept = $this->db->fetchFirstColumn('SELECT title FROM blueprint WHERE batch_id = ? ORDER BY title', [$batch->id]);

        return ['taken' => (int) $taken, 'kept' => array_values(array_filter($kept, is_string(...)))];
    }
}
