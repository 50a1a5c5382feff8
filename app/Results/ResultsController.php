<?php

declare(strict_types=1);

namespace Zetema\App\Results;

use Symfony\Bridge\Doctrine\Attribute\MapEntity;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsGranted;
use Zetema\App\Background\Jobs;
use Zetema\App\Background\Out\WriteOut;
use Zetema\App\Blueprint\Editions\Edition;
use Zetema\App\Delivery\Going;
use Zetema\App\Delivery\Invigilation;
use Zetema\App\Delivery\Sitting;
use Zetema\App\People\Account;
use Zetema\App\Shared\Body;
use Zetema\App\Shared\WholeFile;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Sitting\Refused;

/** What came of sittings, for whoever made the assessment; and what staff does while somebody sits. */
#[IsGranted('ROLE_AUTHOR')]
final readonly class ResultsController
{
    public function __construct(
        private OwnResults $own,
        private Results $results,
        private SittingRoom $room,
        private Invigilation $invigilation,
    ) {
    }

    #[Route('/api/editions/{id}/results', methods: ['GET'])]
    public function results(#[MapEntity] Edition $edition, Request $request, #[CurrentUser] Account $account): JsonResponse
    {
        $this->own->refuseOthers($edition, $account);

        return $this->told($edition, SittingsAsked::of($request));
    }

    #[Route('/api/editions/{id}/survey', methods: ['GET'])]
    public function survey(#[MapEntity] Edition $edition, SurveyResponses $responses, #[CurrentUser] Account $account): JsonResponse
    {
        $this->own->refuseOthers($edition, $account);

        return new JsonResponse(['questions' => $responses->of($edition)], 200, ['Cache-Control' => 'no-store']);
    }

    #[Route('/api/editions/{id}/sittings.csv', methods: ['GET'])]
    public function sittings(#[MapEntity] Edition $edition, ResultTables $tables, #[CurrentUser] Account $account): Response
    {
        return $this->table($edition, $account, $tables->sittings($edition), 'sittings');
    }

    #[Route('/api/editions/{id}/responses.csv', methods: ['GET'])]
    public function responses(#[MapEntity] Edition $edition, ResultTables $tables, #[CurrentUser] Account $account): Response
    {
        return $this->table($edition, $account, $tables->responses($edition), 'responses');
    }

    /** One of these tables in the background: {as: sittings | responses}. */
    #[Route('/api/editions/{id}/out', methods: ['POST'])]
    public function out(#[MapEntity] Edition $edition, Request $request, Jobs $jobs, #[CurrentUser] Account $account): JsonResponse
    {
        $this->own->refuseOthers($edition, $account);
        $as = Body::of($request)->text('as');
        if (!in_array($as, ['sittings', 'responses'], true)) {
            throw new Malformed('as', 'is sittings or responses');
        }

        return new JsonResponse(
            $jobs
                ->begin(
                    WriteOut::class,
                    $edition->blueprint->bank->id,
                    $account,
                    ['way' => ResultsOut::name(), 'edition' => $edition->id, 'as' => $as],
                    atOnce: false,
                )
                ->toData(),
            202,
        );
    }

    #[Route('/api/sittings/{id}/paper', methods: ['GET'])]
    public function paper(#[MapEntity] Sitting $sitting, AuthorPaper $paper, #[CurrentUser] Account $account): JsonResponse
    {
        $edition = $this->edition($sitting, $account);

        return new JsonResponse($paper->of($sitting, $edition, $this->ended($sitting)), 200, ['Cache-Control' => 'no-store']);
    }

    #[Route('/api/sittings/{id}/replay/{number<\d{1,9}>}', methods: ['GET'])]
    public function replay(
        #[MapEntity(id: 'id')]
        Sitting $sitting,
        int $number,
        Replay $replay,
        #[CurrentUser]
        Account $account,
    ): JsonResponse {
        $this->edition($sitting, $account);

        return new JsonResponse($replay->after($sitting, $this->ended($sitting), $number), 200, ['Cache-Control' => 'no-store']);
    }

    #[Route('/api/sittings/{id}/staff', methods: ['POST'])]
    public function staff(#[MapEntity] Sitting $sitting, Request $request, #[CurrentUser] Account $account): JsonResponse
    {
        $edition = $this->edition($sitting, $account);
        $this->room->do($sitting, $edition, Body::of($request), $account);

        return $this->told($edition, SittingsAsked::newest());
    }

    /** @param iterable<string> $lines */
    private function table(Edition $edition, Account $account, iterable $lines, string $name): Response
    {
        $this->own->refuseOthers($edition, $account);

        $response = WholeFile::response($lines, ResultsOut::file($edition, $name), 'text/csv; charset=utf-8');
        $response->headers->set('Cache-Control', 'no-store');

        return $response;
    }

    private function told(Edition $edition, SittingsAsked $asked): JsonResponse
    {
        return new JsonResponse([...$this->results->of($edition, $asked), 'log' => $this->room->log($edition)], 200, [
            'Cache-Control' => 'no-store',
        ]);
    }

    private function ended(Sitting $sitting): Going
    {
        $going = $this->invigilation->settle($sitting);

        return $going->state->ended === null
            ? throw new Refused('This paper is still being sat. It can be read once it is handed in or closed.')
            : $going;
    }

    private function edition(Sitting $sitting, Account $account): Edition
    {
        $edition = $sitting->edition ?? throw new NotFoundHttpException();
        $this->own->refuseOthers($edition, $account);

        return $edition;
    }
}
