<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Pool;

use Symfony\Bridge\Doctrine\Attribute\MapEntity;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsGranted;
use Zetema\App\Bank\Bank;
use Zetema\App\People\Account;
use Zetema\App\Shared\Body;

#[IsGranted('ROLE_READER')]
final readonly class PoolController
{
    #[Route('/api/banks/{id}/pools', methods: ['GET'])]
    public function pools(#[MapEntity] Bank $bank, Pools $pools): JsonResponse
    {
        return new JsonResponse(['pools' => $pools->told($bank)]);
    }

    #[Route('/api/banks/{id}/pools', methods: ['POST'])]
    #[IsGranted('ROLE_AUTHOR')]
    public function change(#[MapEntity] Bank $bank, Request $request, PoolEditing $editing, #[CurrentUser] Account $account): JsonResponse
    {
        return new JsonResponse($editing->change($bank, Body::of($request), $account)->toData());
    }
}
