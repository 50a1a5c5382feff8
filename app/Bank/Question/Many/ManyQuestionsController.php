<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Question\Many;

use Symfony\Bridge\Doctrine\Attribute\MapEntity;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsGranted;
use Zetema\App\Bank\Bank;
use Zetema\App\People\Account;
use Zetema\App\Shared\Body;

/** Many questions of a bank in one go. */
#[IsGranted('ROLE_AUTHOR')]
#[Route('/api/banks/{id}/questions/change')]
final readonly class ManyQuestionsController
{
    public function __construct(private ManyQuestions $many)
    {
    }

    #[Route('/preview', methods: ['POST'])]
    public function preview(#[MapEntity] Bank $bank, Request $request, #[CurrentUser] Account $account): JsonResponse
    {
        return new JsonResponse($this->many->preview($bank, Body::of($request), $account));
    }

    #[Route('', methods: ['POST'])]
    public function change(#[MapEntity] Bank $bank, Request $request, #[CurrentUser] Account $account): JsonResponse
    {
        return new JsonResponse($this->many->change($bank, Body::of($request), $account)->toData(), 202);
    }
}
