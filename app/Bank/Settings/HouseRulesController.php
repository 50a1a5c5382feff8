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
    public function __construct(private BankSettingsEditing $settings)
    {
    }

    #[Route('/api/house-rules', methods: ['GET'])]
    public function rules(): JsonResponse
    {
        return new JsonResponse($this->settings->houseRules());
    }

    #[Route('/api/house-rules', methods: ['PUT'])]
    #[IsGranted('ROLE_ADMINISTRATOR')]
    public function set(Request $request, #[CurrentUser] Account $account): JsonResponse
    {
        $this->settings->setHouseRules(Body::of($request), $account);

        return new JsonResponse($this->settings->houseRules());
    }
}
