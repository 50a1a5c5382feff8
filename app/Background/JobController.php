<?php

declare(strict_types=1);

namespace Zetema\App\Background;

use Symfony\Bridge\Doctrine\Attribute\MapEntity;
use Symfony\Component\HttpFoundation\BinaryFileResponse;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsGranted;
use Zetema\App\Background\Out\WriteOut;
use Zetema\App\People\Account;
use Zetema\Core\Data\Fields;

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

    /** The file that a job has written, for whoever began it. */
    #[Route('/api/jobs/{id}/file', methods: ['GET'])]
    public function file(#[MapEntity] Job $job, WriteOut $out, #[CurrentUser] Account $account): Response
    {
        $told = $job->result() === null ? null : Fields::of($job->result());
        if ($told === null || !$told->has('file') || $job->account !== $account || !is_file($out->path($job->id))) {
            throw new NotFoundHttpException('There is no such file, or no longer: it waits for a day.');
        }
        set_time_limit(0);

        return (new BinaryFileResponse($out->path($job->id), 200, [
            'Content-Type' => $told->text('type'),
            'Cache-Control' => 'no-store',
        ]))->setContentDisposition('attachment', $told->text('file'));
    }

    #[Route('/api/jobs/{id}/stop', methods: ['POST'])]
    #[IsGranted('ROLE_AUTHOR')]
    public function stop(#[MapEntity] Job $job): JsonResponse
    {
        return new JsonResponse($this->jobs->stop($job)->toData());
    }
}
