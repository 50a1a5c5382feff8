<?php

declare(strict_types=1);

namespace Zetema\App\Background;

use Symfony\Bridge\Doctrine\Attribute\MapEntity;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\IsGranted;

/** How far the work in the background is. */
#[IsGranted('ROLE_READER')]
final readonly class JobController
{
    public function __construct(private Jobs $jobs)
    {
    }

    #[Route('/api/banks/{id}/jobs', methods: ['GET'])]
    public function open(int $id): JsonResponse
    {
        return new JsonResponse(['jobs' => array_map(static fn (Job $job): array => $job->toData(), $this->jobs->open($id))]);
    }

    #[Route('/api/jobs/{id}', methods: ['GET'])]
    public function job(#[MapEntity] Job $job): JsonResponse
    {
        return new JsonResponse($job->toData());
    }

    #[Route('/api/jobs/{id}/stop', methods: ['POST'])]
    #[IsGranted('ROLE_AUTHOR')]
    public function stop(#[MapEntity] Job $job): JsonResponse
    {
        return new JsonResponse($this->jobs->stop($job)->toData());
    }
}
