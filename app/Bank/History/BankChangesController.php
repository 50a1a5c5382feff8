<?php

declare(strict_types=1);

namespace Zetema\App\Bank\History;

use Symfony\Bridge\Doctrine\Attribute\MapEntity;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpKernel\Attribute\MapQueryParameter;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsGranted;
use Zetema\App\Background\Job;
use Zetema\App\Bank\Bank;
use Zetema\App\People\Account;
use Zetema\Core\Data\Malformed;

#[IsGranted('ROLE_READER')]
final readonly class BankChangesController
{
    public function __construct(private BankHistory $history, private QuestionSaves $saves)
    {
    }

    #[Route('/api/banks/{id}/changes', methods: ['GET'])]
    public function changes(
        #[MapEntity]
        Bank $bank,
        #[MapQueryParameter]
        ?int $before = null,
        #[MapQueryParameter]
        ?int $who = null,
        #[MapQueryParameter]
        string $since = '',
        #[MapQueryParameter]
        string $kind = '',
    ): JsonResponse {
        return new JsonResponse([
            'changes' => array_map(
                static fn (BankChange $change): array => $change->toData(),
                $this->history->of($bank, $before, $who, self::day($since), $kind),
            ),
            'people' => $this->saves->people(),
        ]);
    }

    #[Route('/api/banks/{id}/saves', methods: ['GET'])]
    public function saves(
        #[MapEntity]
        Bank $bank,
        #[MapQueryParameter]
        ?int $before = null,
        #[MapQueryParameter]
        ?int $who = null,
        #[MapQueryParameter]
        string $since = '',
    ): JsonResponse {
        return new JsonResponse([
            'saves' => $this->saves->of($bank, $before, $who, self::day($since)),
            'people' => $this->saves->people(),
        ]);
    }

    private static function day(string $since): ?\DateTimeImmutable
    {
        $day = $since === '' ? null : \DateTimeImmutable::createFromFormat('!Y-m-d', $since);

        return $day !== false ? $day : throw new Malformed('since', 'must be a day like 2026-05-01');
    }

    #[Route('/api/banks/{bank}/changes/{id}/undo', requirements: ['bank' => '\d{1,18}'], methods: ['POST'])]
    #[IsGranted('ROLE_AUTHOR')]
    public function undo(
        #[MapEntity(mapping: ['id' => 'id', 'bank' => 'bank'])]
        BankChange $change,
        #[CurrentUser]
        Account $account,
    ): JsonResponse {
        $undone = $this->history->undo($change, $account);

        return $undone instanceof Job
            ? new JsonResponse(
                [...$this->history->again($change)->toData(), 'job' => $undone->toData()],
                $undone->state()->isOver() ? 200 : 202,
            )
            : new JsonResponse([...$undone->toData(), 'job' => null]);
    }
}
