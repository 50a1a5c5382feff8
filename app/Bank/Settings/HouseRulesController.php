<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Settings;

use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsGranted;
use Zetema\App\People\Account;
use Zetema\App\Shared\Body;

/** What the organisation sets for all its banks; whoever keeps the accounts keeps these, too. */
#[IsGranted('ROLE_READER')]
final readonly class HouseRulesController
{
    public function __construct(private HouseEditing $house)
    {
    }

    #[Route('/api/house-rules', methods: ['GET'])]
    public function rules(): JsonResponse
    {
        return new JsonResponse($this->house->told());
    }

    #[Route('/api/house-rules', methods: ['PUT'])]
    #[IsGranted('ROLE_ADMINISTRATOR')]
    public function set(Request $request, #[CurrentUser] Account $account): JsonResponse
    {
        $this->house->set(Body::of($request), $account);

        return new JsonResponse($this->house->told());
    }

    /** What was changed of them, newest first. */
    #[Route('/api/house-rules/changes', methods: ['GET'])]
    public function changes(): JsonResponse
    {
        return new JsonResponse([
            'changes' => array_map(static fn (HouseChange $change): array => $change->toData(), $this->house->changes()),
        ]);
    }

    #[Route('/api/house-rules/changes/{id}/undo', requirements: ['id' => '\d{1,18}'], methods: ['POST'])]
    #[IsGranted('ROLE_ADMINISTRATOR')]
    public function undo(int $id, #[CurrentUser] Account $account): JsonResponse
    {
        $this->house->undo($id, $account);

        return $this->changes();
    }
}
