<?php

declare(strict_types=1);

namespace Zetema\App\Bank\History;

use Symfony\Bridge\Doctrine\Attribute\MapEntity;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpKernel\Attribute\MapQueryParameter;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsGranted;
use Zetema\App\Bank\Bank;
use Zetema\App\People\Account;

#[IsGranted('ROLE_READER')]
final readonly class BankChangesController
{
    public function __construct(private BankHistory $history)
    {
    }

    #[Route('/api/banks/{id}/changes', methods: ['GET'])]
    public function changes(#[MapEntity] Bank $bank, #[MapQueryParameter] ?int $before = null): JsonResponse
    {
        return new JsonResponse(['changes' => array_map(static fn (BankChange $change): array => $change->toData(), $this->history->of($bank, $before))]);
    }

    #[Route('/api/banks/{bank}/changes/{id}/undo', requirements: ['bank' => '\d{1,18}'], methods: ['POST'])]
    #[IsGranted('ROLE_AUTHOR')]
    public function undo(#[MapEntity(mapping: ['id' => 'id', 'bank' => 'bank'])] BankChange $change, #[CurrentUser] Account $account): JsonResponse
    {
        return new JsonResponse($this->history->undo($change, $account)->toData());
    }
}
