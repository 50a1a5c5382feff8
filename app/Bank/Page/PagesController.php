<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Page;

use Symfony\Bridge\Doctrine\Attribute\MapEntity;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpKernel\Attribute\MapQueryParameter;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsGranted;
use Zetema\App\Bank\Bank;
use Zetema\App\People\Account;
use Zetema\App\Shared\Body;

#[IsGranted('ROLE_READER')]
final readonly class PagesController
{
    public function __construct(private Pages $pages)
    {
    }

    #[Route('/api/banks/{id}/pages', methods: ['GET'])]
    public function all(#[MapEntity] Bank $bank): JsonResponse
    {
        return new JsonResponse(['pages' => array_map(static fn (Page $p): array => $p->toData(), $this->pages->of($bank))]);
    }

    #[Route('/api/banks/{id}/pages', methods: ['POST'])]
    #[IsGranted('ROLE_AUTHOR')]
    public function make(#[MapEntity] Bank $bank, Request $request, #[CurrentUser] Account $account): JsonResponse
    {
        return new JsonResponse($this->pages->make($bank, Body::of($request), $account)->toData(), 201);
    }

    #[Route('/api/pages/{id}', methods: ['PUT'])]
    #[IsGranted('ROLE_AUTHOR')]
    public function edit(#[MapEntity] Page $page, Request $request, #[CurrentUser] Account $account): JsonResponse
    {
        return new JsonResponse($this->pages->edit($page, Body::of($request), $account)->toData());
    }

    #[Route('/api/pages/{id}', methods: ['DELETE'])]
    #[IsGranted('ROLE_AUTHOR')]
    public function remove(#[MapEntity] Page $page, #[MapQueryParameter] int $version, #[CurrentUser] Account $account): JsonResponse
    {
        $this->pages->remove($page, $version, $account);

        return new JsonResponse(['removed' => true]);
    }
}
