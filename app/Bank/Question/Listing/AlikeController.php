<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Question\Listing;

use Symfony\Bridge\Doctrine\Attribute\MapEntity;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpKernel\Attribute\MapQueryParameter;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsGranted;
use Zetema\App\Bank\Bank;
use Zetema\App\Bank\Question\Undoable\Merging;
use Zetema\App\People\Account;
use Zetema\App\Shared\Body;

#[IsGranted('ROLE_READER')]
#[Route('/api/banks/{id}/alike')]
final readonly class AlikeController
{
    public function __construct(private AlikeQuestions $alike)
    {
    }

    #[Route('', methods: ['GET'])]
    public function all(#[MapEntity] Bank $bank, #[MapQueryParameter] string $by = ''): JsonResponse
    {
        return new JsonResponse($this->alike->of($bank, $by === 'answers'));
    }

    #[Route('/beside', methods: ['GET'])]
    public function beside(#[MapEntity] Bank $bank, #[MapQueryParameter] int $one, #[MapQueryParameter] int $other): JsonResponse
    {
        return new JsonResponse(['questions' => $this->alike->beside($bank, [$one, $other])]);
    }

    #[Route('/merge', methods: ['POST'])]
    #[IsGranted('ROLE_AUTHOR')]
    public function merge(#[MapEntity] Bank $bank, Request $request, Merging $merging, #[CurrentUser] Account $account): JsonResponse
    {
        $body = Body::of($request);

        return new JsonResponse($merging->merge($bank, $body->integer('keep'), $body->integer('other'), $account)->toData());
    }

    #[Route('', methods: ['POST'])]
    public function one(#[MapEntity] Bank $bank, Request $request): JsonResponse
    {
        $body = Body::of($request);

        return new JsonResponse([
            'alike' => $this->alike->to($bank, mb_substr($body->text('stem'), 0, 2_000), $body->integer('but', 0)),
        ]);
    }
}
