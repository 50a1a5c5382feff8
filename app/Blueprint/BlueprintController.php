<?php

declare(strict_types=1);

namespace Zetema\App\Blueprint;

use Doctrine\ORM\EntityManagerInterface;
use Symfony\Bridge\Doctrine\Attribute\MapEntity;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsGranted;
use Zetema\App\Bank\Bank;
use Zetema\App\Blueprint\Editions\ClosesSittings;
use Zetema\App\Blueprint\Editions\Editions;
use Zetema\App\Blueprint\Editions\Maker;
use Zetema\App\People\Account;
use Zetema\App\Shared\Body;

#[IsGranted('ROLE_READER')]
final readonly class BlueprintController
{
    public function __construct(private BlueprintEditing $editing, private BlueprintView $view, private EntityManagerInterface $em)
    {
    }

    #[Route('/api/banks/{id}/blueprints', methods: ['GET'])]
    public function blueprints(#[MapEntity] Bank $bank): JsonResponse
    {
        return new JsonResponse(['blueprints' => $this->view->list($bank)]);
    }

    #[Route('/api/banks/{id}/blueprints', methods: ['POST'])]
    #[IsGranted('ROLE_AUTHOR')]
    public function make(#[MapEntity] Bank $bank, Request $request): JsonResponse
    {
        return new JsonResponse($this->view->of($this->editing->make($bank, Body::of($request))), 201);
    }

    #[Route('/api/blueprints/{id}', methods: ['GET'])]
    public function blueprint(#[MapEntity] Blueprint $blueprint): JsonResponse
    {
        return new JsonResponse($this->view->of($blueprint));
    }

    #[Route('/api/blueprints/{id}/copies', methods: ['POST'])]
    #[IsGranted('ROLE_AUTHOR')]
    public function copy(#[MapEntity] Blueprint $blueprint): JsonResponse
    {
        return new JsonResponse($this->view->of($this->editing->copy($blueprint)), 201);
    }

    /** What forms come to, which takes longer than the list. */
    #[Route('/api/banks/{id}/blueprints/points', methods: ['GET'])]
    public function points(#[MapEntity] Bank $bank): JsonResponse
    {
        return new JsonResponse(['points' => (object) $this->view->points($bank)]);
    }

    #[Route('/api/blueprints/{id}/put-away', methods: ['PUT'])]
    #[IsGranted('ROLE_AUTHOR')]
    public function putAway(
        #[MapEntity]
        Blueprint $blueprint,
        Request $request,
        Editions $editions,
        Maker $maker,
        ClosesSittings $sittings,
        #[CurrentUser]
        Account $account,
    ): JsonResponse {
        $body = Body::of($request);
        $bank = $blueprint->bank->id;
        // Whoever did not make it may put away what nobody sits: it does no more than tidy the list.
        if ($editions->newest($blueprint) !== null) {
            $maker->refuseOthers($account, $blueprint);
        }
        $this->editing->putAway($blueprint, $body->flag('putAway'));
        if ($body->flag('putAway') && $body->flag('sittings', false)) {
            $sittings->closeRunning($blueprint, $account);
        }

        return new JsonResponse([
            'blueprints' => $this->view->list($this->em->find(Bank::class, $bank) ?? throw new NotFoundHttpException()),
        ]);
    }

    #[Route('/api/blueprints/{id}', methods: ['DELETE'])]
    #[IsGranted('ROLE_AUTHOR')]
    public function delete(#[MapEntity] Blueprint $blueprint): JsonResponse
    {
        $this->editing->delete($blueprint);

        return new JsonResponse(['blueprints' => $this->view->list($blueprint->bank)]);
    }

    #[Route('/api/blueprints/{id}/document', methods: ['PUT'])]
    #[IsGranted('ROLE_AUTHOR')]
    public function write(#[MapEntity] Blueprint $blueprint, Request $request): JsonResponse
    {
        return new JsonResponse($this->view->of($this->editing->write($blueprint, Body::of($request))));
    }

    #[Route('/api/blueprints/{id}/deal', methods: ['POST'])]
    public function deal(#[MapEntity] Blueprint $blueprint, Request $request): JsonResponse
    {
        return new JsonResponse($this->editing->deal($blueprint, Body::seed(Body::of($request)) ?? 1));
    }
}
