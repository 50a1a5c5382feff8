<?php

declare(strict_types=1);

namespace Zetema\App\Blueprint\Editions;

use Doctrine\ORM\EntityManagerInterface;
use Symfony\Bridge\Doctrine\Attribute\MapEntity;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsGranted;
use Zetema\App\Blueprint\Blueprint;
use Zetema\App\Blueprint\BlueprintView;
use Zetema\App\Blueprint\SittingsOfAssessments;
use Zetema\App\People\Account;
use Zetema\App\Shared\Body;

/** Editions are frozen, looked at, compared, closed and withdrawn. */
#[IsGranted('ROLE_READER')]
final readonly class EditionController
{
    public function __construct(
        private Freezing $freezing,
        private BlueprintView $view,
        private EditionDifferences $differences,
        private Editions $editions,
        private SittingsOfAssessments $sittings,
        private Maker $maker,
        private EntityManagerInterface $em,
    ) {
    }

    #[Route('/api/blueprints/{id}/editions', methods: ['POST'])]
    #[IsGranted('ROLE_AUTHOR')]
    public function freeze(#[MapEntity] Blueprint $blueprint, Request $request, #[CurrentUser] Account $account): JsonResponse
    {
        return new JsonResponse($this->freezing->freeze($blueprint, Body::of($request)->integer('version'), $account)->toData(), 201);
    }

    /** In what the next edition would differ from the newest; null as long as there is none. */
    #[Route('/api/blueprints/{id}/differences', methods: ['GET'])]
    public function next(#[MapEntity] Blueprint $blueprint): JsonResponse
    {
        $newest = $this->editions->newest($blueprint);

        return new JsonResponse(['differences' => $newest === null ? null : $this->differences->between($newest, null)]);
    }

    #[Route('/api/editions/{id}', methods: ['GET'])]
    public function edition(#[MapEntity] Edition $edition): JsonResponse
    {
        return new JsonResponse([...$this->view->frozen($edition), 'running' => count($this->sittings->running($edition->blueprint))]);
    }

    /** In what another one of the same assessment differs from it; left out: what would be frozen now. */
    #[Route('/api/editions/{id}/differences', methods: ['GET'])]
    public function compared(#[MapEntity] Edition $edition, Request $request): JsonResponse
    {
        $number = $request->query->has('to') ? $request->query->getInt('to') : null;
        $to = $number === null ? null : $this->editions->numbered($edition->blueprint, $number) ?? throw new NotFoundHttpException();

        return new JsonResponse(['differences' => $this->differences->between($edition, $to)]);
    }

    #[Route('/api/editions/{id}/closed', methods: ['PUT'])]
    #[IsGranted('ROLE_AUTHOR')]
    public function close(
        #[MapEntity]
        Edition $edition,
        Request $request,
        ClosesSittings $sittings,
        #[CurrentUser]
        Account $account,
    ): JsonResponse {
        $this->maker->refuseOthers($account, $edition->blueprint);
        $body = Body::of($request);
        $blueprint = $edition->blueprint->id;
        $this->freezing->close($edition, $body->flag('closed'));
        if ($body->flag('closed') && $body->flag('sittings', false)) {
            $sittings->closeRunning($edition->blueprint, $account);
        }

        return new JsonResponse($this->view->of($this->em->find(Blueprint::class, $blueprint) ?? throw new NotFoundHttpException()));
    }

    #[Route('/api/editions/{id}', methods: ['DELETE'])]
    #[IsGranted('ROLE_AUTHOR')]
    public function withdraw(#[MapEntity] Edition $edition, #[CurrentUser] Account $account): JsonResponse
    {
        $this->maker->refuseOthers($account, $edition->blueprint);
        $this->freezing->withdraw($edition);

        return new JsonResponse($this->view->of($edition->blueprint));
    }
}
