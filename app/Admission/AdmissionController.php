<?php

declare(strict_types=1);

namespace Zetema\App\Admission;

use Psr\Clock\ClockInterface;
use Symfony\Bridge\Doctrine\Attribute\MapEntity;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpKernel\Exception\TooManyRequestsHttpException;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsGranted;
use Zetema\App\Blueprint\Blueprint;
use Zetema\App\Blueprint\Editions\Editions;
use Zetema\App\People\Account;
use Zetema\App\People\LogInPace;
use Zetema\App\Shared\Body;
use Zetema\Core\Sitting\Refused;
use Zetema\Core\Time\Instant;

/** Who may sit an assessment; and candidates who come with its code. */
final readonly class AdmissionController
{
    public function __construct(private Admissions $admissions, private Editions $editions, private ClockInterface $clock)
    {
    }

    #[Route('/api/blueprints/{id}/admission', methods: ['GET'])]
    #[IsGranted('ROLE_READER')]
    public function admission(#[MapEntity] Blueprint $blueprint): JsonResponse
    {
        return new JsonResponse($this->admissions->told($blueprint));
    }

    #[Route('/api/blueprints/{id}/admission', methods: ['PUT'])]
    #[IsGranted('ROLE_AUTHOR')]
    public function change(#[MapEntity] Blueprint $blueprint, Request $request): JsonResponse
    {
        return new JsonResponse($this->admissions->change($blueprint, Body::of($request)));
    }

    #[Route('/api/access-codes', methods: ['POST'])]
    #[IsGranted('ROLE_CANDIDATE')]
    public function enter(Request $request, LogInPace $pace, #[CurrentUser] Account $account): JsonResponse
    {
        $address = $request->getClientIp() ?? '';
        $wait = $pace->beginCode($address);
        if ($wait > 0) {
            throw new TooManyRequestsHttpException(
                $wait,
                sprintf(
                    'Many codes from here were none. Wait %s, then try again; the right one will do.',
                    $wait === 1 ? 'a second' : "$wait seconds",
                ),
            );
        }
        try {
            $blueprint = $this->admissions->enter(Body::of($request)->text('code'), $account);
        } catch (Refused $e) {
            $pace->wrongCode($address);
            throw $e;
        }
        $edition = $this->editions->newest($blueprint);
        $isOver =
            $blueprint->isPutAway() ||
            $edition?->isOver() === true ||
            $this->admissions->candidacy($blueprint, $account)->hasClosed(Instant::of($this->clock->now()));

        return new JsonResponse([
            'title' => $edition->title ?? $blueprint->title(),
            'stands' => $isOver ? 'closed' : ($edition === null ? 'not yet' : 'in the list'),
        ]);
    }
}
