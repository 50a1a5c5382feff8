<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Question\Undoable;

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
final readonly class ArrangingController
{
    #[Route('/api/banks/{id}/questions/arrange', methods: ['POST'])]
    public function arrange(#[MapEntity] Bank $bank, Request $request, Arranging $arranging, #[CurrentUser] Account $account): JsonResponse
    {
        return new JsonResponse($arranging->arrange($bank, Body::of($request), $account)->toData());
    }
}
