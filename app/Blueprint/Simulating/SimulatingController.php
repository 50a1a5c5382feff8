<?php

declare(strict_types=1);

namespace Zetema\App\Blueprint\Simulating;

use Symfony\Bridge\Doctrine\Attribute\MapEntity;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsGranted;
use Zetema\App\Background\Jobs;
use Zetema\App\Blueprint\Blueprint;
use Zetema\App\People\Account;
use Zetema\App\Shared\Body;
use Zetema\Core\Data\Malformed;

/** What is told of an assessment by dealing many of its forms, and by guessing through them. */
#[IsGranted('ROLE_AUTHOR')]
final readonly class SimulatingController
{
    private const MOST = 100_000;
    /** Up to so many take less than a second. */
    private const AT_ONCE = 200;

    #[Route('/api/blueprints/{id}/simulations', methods: ['POST'])]
    public function simulate(
        #[MapEntity]
        Blueprint $blueprint,
        Request $request,
        DealMany $many,
        Jobs $jobs,
        #[CurrentUser]
        Account $account,
    ): JsonResponse {
        $body = Body::of($request);
        $forms = $body->optionalInteger('forms') ?? 10_000;
        if ($forms < 1 || $forms > self::MOST) {
            throw new Malformed('forms', sprintf('are from 1 to %s', number_format(self::MOST)));
        }
        $many->simulation($blueprint);
        $job = $jobs->begin(
            DealMany::class,
            $blueprint->bank->id,
            $account,
            ['blueprint' => $blueprint->id, 'forms' => $forms, 'seed' => Body::seed($body) ?? 1],
            $forms <= self::AT_ONCE,
        );

        return new JsonResponse($job->toData(), $job->state()->isOver() ? 201 : 202);
    }

    #[Route('/api/blueprints/{id}/guessing', methods: ['GET'])]
    public function guessing(#[MapEntity] Blueprint $blueprint, GuessingThrough $guessing): JsonResponse
    {
        return new JsonResponse($guessing->told($blueprint));
    }
}
