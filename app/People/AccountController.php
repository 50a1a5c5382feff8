<?php

declare(strict_types=1);

namespace Zetema\App\People;

use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

final class AccountController
{
    #[Route('/api/log-in', name: 'api_log_in', methods: ['POST'])]
    public function logIn(): never
    {
        throw new \LogicException('the firewall answers this');
    }

    #[Route('/api/log-out', name: 'api_log_out', methods: ['POST'])]
    public function logOut(): never
    {
        throw new \LogicException('the firewall answers this');
    }

    #[Route('/api/me', methods: ['GET'])]
    public function me(#[CurrentUser] ?Account $account): JsonResponse
    {
        return new JsonResponse(['account' => $account?->toData()]);
    }
}
