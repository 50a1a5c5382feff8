<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Objective;

use Symfony\Bridge\Doctrine\Attribute\MapEntity;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsGranted;
use Zetema\App\Bank\Bank;
use Zetema\App\People\Account;
use Zetema\App\Shared\Body;

#[IsGranted('ROLE_AUTHOR')]
final readonly class ObjectiveController
{
    #[Route('/api/banks/{id}/objectives', methods: ['POST'])]
    public function change(
        #[MapEntity]
        Bank $bank,
        Request $request,
        ObjectiveEditing $editing,
        #[CurrentUser]
        Account $account,
    ): JsonResponse {
        return new JsonResponse($editing->change($bank, Body::of($request), $account)->toData());
    }
}
