<?php

declare(strict_types=1);

namespace Zetema\App\Bank;

use Symfony\Bridge\Doctrine\Attribute\MapEntity;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsGranted;
use Zetema\App\Background\Jobs;
use Zetema\App\People\Account;
use Zetema\App\Shared\Body;

/** All banks; each answer is the list as it stands then. */
#[IsGranted('ROLE_READER')]
final readonly class BanksController
{
    public function __construct(private Banks $banks)
    {
    }

    #[Route('/api/banks', methods: ['GET'])]
    public function banks(): JsonResponse
    {
        return $this->answer();
    }

    #[Route('/api/banks', methods: ['POST'])]
    #[IsGranted('ROLE_AUTHOR')]
    public function make(Request $request): JsonResponse
    {
        $bank = $this->banks->make(Body::of($request)->text('name'));

        return $this->answer(201, ['made' => $bank->id]);
    }

    #[Route('/api/banks/{id}', methods: ['PUT'])]
    #[IsGranted('ROLE_AUTHOR')]
    public function change(#[MapEntity] Bank $bank, Request $request): JsonResponse
    {
        $this->banks->change($bank, Body::of($request));

        return $this->answer();
    }

    #[Route('/api/banks/{id}/copy', methods: ['POST'])]
    #[IsGranted('ROLE_AUTHOR')]
    public function copy(#[MapEntity] Bank $bank, Request $request, Jobs $jobs, #[CurrentUser] Account $account): JsonResponse
    {
        $name = Body::of($request)->text('name');
        $this->banks->refuse($name);
        $few =
            array_filter(
                $this->banks->told(),
                static fn (array $told): bool => $told['id'] === $bank->id && $told['questions'] <= CopyBank::AT_ONCE,
            ) !== [];

        return new JsonResponse(
            $jobs
                ->begin(CopyBank::class, $bank->id, $account, [], $few, function () use ($name, $bank): array {
                    $copy = $this->banks->make($name, isUnfinished: true);
                    $copy->set($bank->own());

                    return ['made' => $copy->id];
                })
                ->toData(),
            202,
        );
    }

    /** @param array<string, int> $more */
    private function answer(int $status = 200, array $more = []): JsonResponse
    {
        return new JsonResponse(['banks' => $this->banks->told(), ...$more], $status);
    }
}
