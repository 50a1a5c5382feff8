<?php

declare(strict_types=1);

namespace Zetema\App\Delivery;

use Symfony\Bridge\Doctrine\Attribute\MapEntity;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsGranted;
use Zetema\App\Blueprint\Blueprint;
use Zetema\App\Blueprint\Editions\Edition;
use Zetema\App\Delivery\Beforehand\CandidateList;
use Zetema\App\Delivery\Beforehand\Opening;
use Zetema\App\Delivery\Rehearsing\Rehearsing;
use Zetema\App\People\Account;
use Zetema\App\Shared\Body;
use Zetema\Core\Sitting\Refused;
use Zetema\Core\Sitting\State\Assumed;

/** What a candidate does; and an author who rehearses does the same, with the watch margin beside it. */
final readonly class SittingController
{
    public function __construct(private Invigilation $invigilation, private WatchMargin $watch, private CandidatePage $shown)
    {
    }

    #[Route('/api/my-assessments', methods: ['GET'])]
    public function mine(#[CurrentUser] Account $account, CandidateList $list): JsonResponse
    {
        return new JsonResponse($list->of($account, $this->invigilation));
    }

    #[Route('/api/editions/{id}/opening', methods: ['GET'])]
    #[IsGranted('ROLE_CANDIDATE')]
    public function opening(#[MapEntity] Edition $edition, Opening $opening, #[CurrentUser] Account $account): JsonResponse
    {
        return new JsonResponse($opening->ofEdition($edition, $account, $this->invigilation), 200, ['Cache-Control' => 'no-store']);
    }

    #[Route('/api/blueprints/{id}/opening', methods: ['GET'])]
    #[IsGranted('ROLE_READER')]
    public function openingOfBlueprint(#[MapEntity] Blueprint $blueprint, Opening $opening): JsonResponse
    {
        return new JsonResponse($opening->ofBlueprint($blueprint));
    }

    #[Route('/api/editions/{id}/sittings', methods: ['POST'])]
    #[IsGranted('ROLE_CANDIDATE')]
    public function begin(#[MapEntity] Edition $edition, #[CurrentUser] Account $account): JsonResponse
    {
        return $this->answer($this->invigilation->begin($edition, $account, random_int(1, PHP_INT_MAX >> 12)), 201);
    }

    #[Route('/api/blueprints/{id}/rehearsals', methods: ['POST'])]
    #[IsGranted('ROLE_READER')]
    public function rehearse(#[MapEntity] Blueprint $blueprint, Request $request, #[CurrentUser] Account $account): JsonResponse
    {
        $body = Body::of($request);
        $seed = Body::seed($body) ?? random_int(1, 9_999);

        return $this->answer(
            $this->invigilation->rehearse(
                $blueprint,
                $account,
                $seed,
                $body->flag('drafts', false),
                $body->optionalText('from'),
                $body->has('assumed') ? Assumed::fromData($body->object('assumed')) : null,
            ),
            201,
        );
    }

    #[Route('/api/sittings/{id}', methods: ['GET'])]
    public function sitting(#[MapEntity] Sitting $sitting, #[CurrentUser] Account $account): JsonResponse
    {
        self::refuseOthers($sitting, $account);

        return $this->answer($sitting);
    }

    #[Route('/api/sittings/{id}/events', methods: ['POST'])]
    public function act(#[MapEntity] Sitting $sitting, Request $request, #[CurrentUser] Account $account): JsonResponse
    {
        self::refuseOthers($sitting, $account);

        return $this->answer($sitting, 200, $this->invigilation->act($sitting, Body::of($request)));
    }

    #[Route('/api/sittings/{id}/rehearsal', methods: ['POST'])]
    #[IsGranted('ROLE_READER')]
    public function conductRehearsal(
        #[MapEntity]
        Sitting $sitting,
        Request $request,
        Rehearsing $rehearsing,
        #[CurrentUser]
        Account $account,
    ): JsonResponse {
        self::refuseOthers($sitting, $account);
        if (!$sitting->isRehearsal()) {
            throw new NotFoundHttpException();
        }
        $rehearsing->do($sitting, Body::of($request));

        return $this->answer($sitting);
    }

    #[Route('/api/sittings/{id}/review', methods: ['GET'])]
    public function review(#[MapEntity] Sitting $sitting, #[CurrentUser] Account $account): JsonResponse
    {
        self::refuseOthers($sitting, $account);
        $going = $this->invigilation->settle($sitting);
        if ($going->state->ended === null) {
            throw new Refused('The review opens when the paper is handed in.');
        }

        return new JsonResponse([...self::about($sitting), ...$this->shown->review($sitting, $going, $this->invigilation->now())], 200, [
            'Cache-Control' => 'no-store',
        ]);
    }

    private function answer(Sitting $sitting, int $status = 200, ?Going $going = null): JsonResponse
    {
        $going ??= $this->invigilation->settle($sitting);

        return new JsonResponse(
            [
                ...self::about($sitting),
                ...$this->shown->running($sitting, $going, $this->invigilation->nowOf($sitting)),
                'watch' => $sitting->isRehearsal() ? $this->watch->of($sitting, $going) : null,
            ],
            $status,
            ['Cache-Control' => 'no-store'],
        );
    }

    /** @return array{id: int, title: string, rehearsal: bool, blueprint: int|null} */
    private static function about(Sitting $sitting): array
    {
        return [
            'id' => $sitting->id,
            'title' => $sitting->edition->title ?? $sitting->blueprint->title(),
            'rehearsal' => $sitting->isRehearsal(),
            'blueprint' => $sitting->isRehearsal() ? $sitting->blueprint->id : null,
        ];
    }

    private static function refuseOthers(Sitting $sitting, Account $account): void
    {
        if ($sitting->account->id !== $account->id) {
            throw new NotFoundHttpException();
        }
    }
}
