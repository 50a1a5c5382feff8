<?php

declare(strict_types=1);

namespace Zetema\App\People;

use Symfony\Bridge\Doctrine\Attribute\MapEntity;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\IsGranted;

/** Log-ins that have to wait after failures, and letting them go on at once. */
#[IsGranted('ROLE_ADMINISTRATOR')]
final readonly class LogInsController
{
    public function __construct(private LogInPace $pace)
    {
    }

    #[Route('/api/slowed-log-ins', methods: ['GET'])]
    public function slowed(): JsonResponse
    {
        return new JsonResponse(['slowed' => $this->pace->slowed()]);
    }

    #[Route('/api/slowed-log-ins/{id}', methods: ['DELETE'])]
    public function lift(#[MapEntity] SlowedLogIn $slowed): JsonResponse
    {
        $this->pace->lift($slowed);

        return new JsonResponse(['slowed' => $this->pace->slowed()]);
    }
}
