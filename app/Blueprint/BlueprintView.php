<?php

declare(strict_types=1);

namespace Zetema\App\Blueprint;

use Doctrine\ORM\EntityManagerInterface;
use Zetema\App\Bank\Bank;
use Zetema\App\Bank\Board;
use Zetema\App\Blueprint\Editions\Edition;
use Zetema\App\Blueprint\Editions\Editions;
use Zetema\App\Blueprint\Stored\StoredStock;
use Zetema\Core\Blueprint\Blueprint as Assessment;
use Zetema\Core\Blueprint\Dealing\BlueprintDealer;
use Zetema\Core\Blueprint\Reading\BlueprintReader;
use Zetema\Core\Blueprint\Reading\Refusal;

/** A blueprint as its author has it: plan, rules, the quota board's numbers, and what is proved of its forms. */
final readonly class BlueprintView
{
    public function __construct(
        private EntityManagerInterface $em,
        private Board $board,
        private Editions $editions,
        private BankStock $stock,
        private DrawnQuestions $drawn,
        private SittingsOfAssessments $sittings,
    ) {
    }

    /** @return list<array<string, mixed>> a bank's blueprints, without what is proved of each */
    public function list(Bank $bank): array
    {
        $editions = $this->em
            ->getConnection()
            ->fetchAllKeyValue(
                'SELECT e.blueprint_id, MAX(e.number) FROM edition e JOIN blueprint b ON b.id = e.blueprint_id WHERE b.bank_id = ? AND e.withdrawn_at IS NULL GROUP BY e.blueprint_id',
                [$bank->id],
            );

        [$sittings, $running] = $this->sittings($bank);

        return array_map(
            static fn (Blueprint $b): array => [
                'id' => $b->id,
                'title' => $b->title(),
                'questions' => $b->questions(),
                'edition' => $editions[$b->id] ?? null,
                'sittings' => $sittings[$b->id] ?? 0,
                'running' => $running[$b->id] ?? [],
                'putAway' => $b->isPutAway(),
            ],
            $this->em->getRepository(Blueprint::class)->findBy(['bank' => $bank], ['isPutAway' => 'ASC', 'id' => 'ASC']),
        );
    }

    /**
     * @return array{array<int, int>, array<int, list<array{edition: int, sittings: int}>>} by the ids of blueprints: sittings of their
     *   editions; and those that run now, by edition
     */
    private function sittings(Bank $bank): array
    {
        $all = $running = [];
        foreach (
            $this->sittings->counted($bank) as ['blueprint' => $blueprint, 'edition' => $edition, 'sittings' => $many, 'running' => $run]
        ) {
            $all[$blueprint] = ($all[$blueprint] ?? 0) + $many;
            if ($run > 0) {
                $running[$blueprint][] = ['edition' => $edition, 'sittings' => $run];
            }
        }

        return [$all, $running];
    }

    /**
     * @return array<int, array{least: string, most: string}|null> what forms of each come to, by the ids of blueprints; null where some
     *   question may not be dealt
     */
    public function points(Bank $bank): array
    {
        $points = [];
        foreach ($this->em->getRepository(Blueprint::class)->findBy(['bank' => $bank]) as $blueprint) {
            $proof = (new BlueprintProof($blueprint->assessment(), static fn (): null => null))->told($this->stock->of($bank));
            $points[$blueprint->id] =
                $proof['problem'] === null && is_string($proof['least']) && is_string($proof['most'])
                    ? ['least' => $proof['least'], 'most' => $proof['most']]
                    : null;
        }

        return $points;
    }

    /** @return array<string, mixed> */
    public function of(Blueprint $blueprint): array
    {
        $names = $this->names($blueprint, $blueprint->document());

        return $this->told(
            $blueprint,
            $blueprint->title(),
            $blueprint->document(),
            $names,
            BlueprintReader::findings($blueprint->document(), $names),
            $blueprint->assessment(),
            $this->stock->of($blueprint->bank),
        );
    }

    /**
     * @return array<string, mixed> an edition in the same shape, with what was proved of it: its plan, rules and questions as they were
     *   frozen
     */
    public function frozen(Edition $edition): array
    {
        $blueprint = $edition->blueprint;
        $names = $this->names($blueprint, $edition->document());

        return [
            'edition' => $edition->toData(),
            'blueprint' => $this->told(
                $blueprint,
                $edition->title,
                $edition->document(),
                $names,
                [],
                $edition->assessment(),
                StoredStock::ofEdition($this->em->getConnection(), $edition),
            ),
        ];
    }

    /** @param array<string, mixed> $document */
    private function names(Blueprint $blueprint, array $document): BankNames
    {
        $names = new BankNames($this->em, $this->em->getConnection(), $blueprint->bank, withDrafts: true);
        $names->lookUp($document);

        return $names;
    }

    /**
     * @param array<string, mixed> $document
     * @param list<Refusal> $findings
     *
     * @return array<string, mixed>
     */
    private function told(
        Blueprint $blueprint,
        string $title,
        array $document,
        BankNames $names,
        array $findings,
        Assessment $assessment,
        StoredStock $stock,
    ): array {
        $editions = $this->em->getRepository(Edition::class)->findBy(['blueprint' => $blueprint], ['number' => 'DESC']);

        return [
            'id' => $blueprint->id,
            'bank' => ['id' => $blueprint->bank->id, 'name' => $blueprint->bank->name()],
            'version' => $blueprint->version(),
            'title' => $title,
            'plan' => BlueprintDealer::plan($assessment)->toData(),
            'document' => $names->read($document),
            'questions' => (object) $names->told($document),
            'findings' => $findings,
            'editions' => array_map(fn (Edition $e): array => [...$e->toData(), 'begun' => $this->sittings->begun($e)], $editions),
            'candidates' => $this->editions->candidates(),
            'board' => $this->board->of($blueprint->bank),
            'proof' => (new BlueprintProof(
                $assessment,
                $names->question(...),
                $blueprint->bank->settings(),
                fn (array $classes): ?array => $this->drawn->of($stock, $classes),
            ))->told($stock),
        ];
    }
}
