<?php

declare(strict_types=1);

namespace Zetema\App\Blueprint\Simulating;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use Zetema\App\Background\Job;
use Zetema\App\Background\Progress;
use Zetema\App\Background\Task;
use Zetema\App\Blueprint\BankStock;
use Zetema\App\Blueprint\Blueprint;
use Zetema\App\Shared\Dialect\Dialects;
use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Drawing\Proof\CannotDeal;
use Zetema\Core\Drawing\Simulation\Simulation;

/** Deals many forms of a blueprint from its bank as it is now, for a look at how fair they are; none is kept. */
final readonly class DealMany implements Task
{
    /** Questions that are told by name, the most seen first. */
    private const TOLD = 500;

    public function __construct(private EntityManagerInterface $em, private Connection $db, private BankStock $stock)
    {
    }

    public static function name(): string
    {
        return 'deal many';
    }

    /** @throws CannotDeal|Malformed before anything is begun, if no form can be dealt */
    public function simulation(Blueprint $blueprint): Simulation
    {
        $stock = $this->stock->of($blueprint->bank);
        // What cannot be dealt is said in words that authors know.
        $stock->dealer($blueprint->plan());

        return new Simulation($blueprint->plan(), $stock);
    }

    public function run(Job $job, Progress $progress): array
    {
        $input = Fields::of($job->input);
        $blueprint = $this->em->find(Blueprint::class, $input->integer('blueprint')) ?? throw new Malformed('blueprint', 'is gone');
        $simulation = $this->simulation($blueprint);
        $forms = $input->integer('forms');
        $progress->begin($forms);
        for ($i = 0; $i < $forms; ++$i) {
            $simulation->deal($input->integer('seed') + $i);
            if (!$progress->beat($i + 1)) {
                break;
            }
        }

        return [...$simulation->toData(), 'seed' => $input->integer('seed'), 'questions' => $this->questions($simulation)];
    }

    /** Nothing is written before its end. Taken up again it deals the same forms. */
    public function abandon(Job $job): void
    {
    }

    /** @return list<array{id: int, name: string, stem: string, objective: string, kind: string, seen: int}> */
    private function questions(Simulation $simulation): array
    {
        $seen = [];
        foreach ($simulation->exposure(self::TOLD) as $id => $n) {
            $seen[(int) substr($id, 1)] = $n;
        }
        $dialect = Dialects::of($this->db);
        $rows = $this->db->fetchAllAssociativeIndexed(
            "SELECT q.id, q.name, COALESCE(r.objective_path, '') AS objective, r.kind, COALESCE({$dialect->jsonText(
                'r.content',
                'stem',
            )}, '') AS stem FROM question q JOIN revision r ON r.id = q.cleared_id WHERE q.id IN (?)",
            [array_keys($seen)],
            [ArrayParameterType::INTEGER],
        );

        return array_map(
            static function (int $id, int $n) use ($rows): array {
                $row = Fields::of($rows[$id] ?? []);

                return [
                    'id' => $id,
                    'name' => $row->optionalText('name') ?? "q$id",
                    'stem' => mb_substr($row->text('stem', ''), 0, 160),
                    'objective' => $row->text('objective', ''),
                    'kind' => $row->text('kind', ''),
                    'seen' => $n,
                ];
            },
            array_keys($seen),
            array_values($seen),
        );
    }
}
