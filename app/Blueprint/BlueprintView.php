<?php

declare(strict_types=1);

namespace Zetema\App\Blueprint;

use Doctrine\ORM\EntityManagerInterface;
use Zetema\App\Bank\Bank;
use Zetema\App\Bank\Board;
use Zetema\Core\Blueprint\Reading\NamedQuestions;
use Zetema\Core\Drawing\Proof\Proof;
use Zetema\Core\Question\Points;

/** A blueprint as its author has it: plan, rules, the quota board's numbers, and what is proved of its forms. */
final readonly class BlueprintView
{
    public function __construct(private EntityManagerInterface $em, private Board $board, private Editions $editions, private BankStock $stock)
    {
    }

    /** @return list<array<string, mixed>> a bank's blueprints, without what is proved of each */
    public function list(Bank $bank): array
    {
        $editions = $this->em->getConnection()->fetchAllKeyValue('SELECT e.blueprint_id, MAX(e.number) FROM edition e JOIN blueprint b ON b.id = e.blueprint_id WHERE b.bank_id = ? AND e.withdrawn_at IS NULL GROUP BY e.blueprint_id', [$bank->id]);

        return array_map(static fn (Blueprint $b): array => [
            'id' => $b->id,
            'title' => $b->title(),
            'questions' => $b->plan()->questions(),
            'edition' => $editions[$b->id] ?? null,
        ], $this->em->getRepository(Blueprint::class)->findBy(['bank' => $bank], ['id' => 'ASC']));
    }

    /** @return array<string, mixed> */
    public function of(Blueprint $blueprint): array
    {
        $plan = $blueprint->plan()->toData();
        $editions = $this->em->getRepository(Edition::class)->findBy(['blueprint' => $blueprint], ['number' => 'DESC']);

        return [
            'id' => $blueprint->id,
            'bank' => ['id' => $blueprint->bank->id, 'name' => $blueprint->bank->name()],
            'version' => $blueprint->version(),
            'title' => $blueprint->title(),
            'plan' => $plan,
            'rules' => $blueprint->rules()->toData(),
            'isWhole' => $blueprint->isWhole(),
            'document' => (object) NamedQuestions::called($blueprint->document(), (new BankNames($this->em, $this->em->getConnection(), $blueprint->bank))->name(...)),
            'editions' => array_map(fn (Edition $e): array => [...$e->toData(), 'begun' => $this->editions->begun($e)], $editions),
            'candidates' => $this->editions->candidates(),
            'board' => $this->board->of($blueprint->bank),
            'proof' => $this->proof($blueprint),
        ];
    }

    /** @return array<string, mixed> */
    private function proof(Blueprint $blueprint): array
    {
        $plan = $blueprint->plan();
        try {
            $proof = Proof::ofDealer($plan, $this->stock->of($blueprint->bank)->dealer($plan));
        } catch (NotCleared $e) {
            return ['problem' => $e->getMessage(), 'questions' => 0, 'least' => '0', 'most' => '0', 'shortage' => null, 'draws' => [], 'pass' => null];
        }
        $passPoints = $proof->passPoints();

        return [
            'problem' => null,
            'questions' => $proof->questions,
            'least' => (string) $proof->least,
            'most' => (string) $proof->most,
            'shortage' => $proof->shortage === null ? null : [
                'draws' => $proof->shortage->draws, 'ask' => $proof->shortage->ask, 'fit' => $proof->shortage->fit, 'words' => $proof->shortage->inWords(),
            ],
            'draws' => array_map(static fn (array $draw): array => [...$draw, 'least' => (string) $draw['least'], 'most' => (string) $draw['most']], $proof->draws),
            'pass' => $passPoints === null ? null : [
                'points' => $passPoints->inWords(),
                'reachable' => $proof->passIsReachable(),
                'percent' => $proof->least->isZero() ? null : (string) Points::rounded($passPoints->multipliedBy(100)->dividedBy($proof->least->exact()), 2),
            ],
        ];
    }
}
