<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Question;

use Symfony\Bridge\Doctrine\Attribute\MapEntity;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\MapQueryParameter;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsGranted;
use Zetema\App\Bank\Apart\KeepingApart;
use Zetema\App\Bank\Media\Media;
use Zetema\App\Bank\Review\Comment;
use Zetema\App\Bank\Review\Comments;
use Zetema\App\Bank\Review\ProofreadingNotes;
use Zetema\App\People\Account;
use Zetema\App\Shared\Body;

/** One question: read, edited, reviewed, tried. Readers comment and wave off; only authors write. */
#[IsGranted('ROLE_READER')]
#[Route('/api/questions/{id}')]
final readonly class QuestionController
{
    public function __construct(
        private QuestionEditing $editing,
        private QuestionView $view,
        private Comments $comments,
        private ProofreadingNotes $proofs,
    ) {
    }

    #[Route('', methods: ['GET'])]
    public function question(#[MapEntity] Question $question): JsonResponse
    {
        return $this->answer($question);
    }

    #[Route('', requirements: ['id' => '\d{1,18}'], methods: ['PUT'])]
    #[IsGranted('ROLE_AUTHOR')]
    public function edit(int $id, Request $request, #[CurrentUser] Account $account): JsonResponse
    {
        return $this->answer($this->editing->edit($id, Body::of($request), $account));
    }

    #[Route('', methods: ['DELETE'])]
    #[IsGranted('ROLE_AUTHOR')]
    public function remove(
        #[MapEntity]
        Question $question,
        #[MapQueryParameter]
        int $version,
        #[CurrentUser]
        Account $account,
    ): JsonResponse {
        $this->editing->remove($question, $version, $account);

        return new JsonResponse(['removed' => true]);
    }

    #[Route('/status', methods: ['PUT'])]
    public function moveTo(#[MapEntity] Question $question, Request $request, #[CurrentUser] Account $account): JsonResponse
    {
        return $this->answer($this->editing->moveTo($question, Body::of($request), $account));
    }

    #[Route('/about', methods: ['PUT'])]
    #[IsGranted('ROLE_AUTHOR')]
    public function keepAbout(#[MapEntity] Question $question, Request $request): JsonResponse
    {
        return $this->answer($this->editing->keepAbout($question, Body::of($request)));
    }

    /** Says which questions it never meets in a form. */
    #[Route('/apart', methods: ['PUT'])]
    #[IsGranted('ROLE_AUTHOR')]
    public function keepApart(
        #[MapEntity]
        Question $question,
        Request $request,
        KeepingApart $keeping,
        #[CurrentUser]
        Account $account,
    ): JsonResponse {
        $keeping->put($question, Body::of($request), $account);

        return $this->answer($question);
    }

    #[Route('/copy', methods: ['POST'])]
    #[IsGranted('ROLE_AUTHOR')]
    public function copy(#[MapEntity] Question $question, #[CurrentUser] Account $account): JsonResponse
    {
        return new JsonResponse($this->view->of($this->editing->copy($question, $account)), 201);
    }

    #[Route('/restore', methods: ['POST'])]
    #[IsGranted('ROLE_AUTHOR')]
    public function restore(#[MapEntity] Question $question, Request $request, #[CurrentUser] Account $account): JsonResponse
    {
        return $this->answer($this->editing->restore($question, Body::of($request), $account));
    }

    #[Route('/revisions/{number}', requirements: ['number' => '\d{1,9}'], methods: ['GET'])]
    public function revision(#[MapEntity(id: 'id')] Question $question, int $number): JsonResponse
    {
        return new JsonResponse(Revisions::difference(Revisions::numbered($question, $number)));
    }

    #[Route('/text', methods: ['GET'])]
    public function text(#[MapEntity] Question $question): Response
    {
        return new Response(implode("\n", Revisions::text($question->newest())) . "\n", 200, [
            'Content-Type' => 'text/plain; charset=utf-8',
        ]);
    }

    /** Says that the account has it open, and who else has. */
    #[Route('/here', methods: ['POST'])]
    public function here(#[MapEntity] Question $question, #[CurrentUser] Account $account): JsonResponse
    {
        return new JsonResponse(['others' => $this->comments->here($question, $account), 'version' => $question->version()]);
    }

    #[Route('/comments', methods: ['POST'])]
    public function comment(#[MapEntity] Question $question, Request $request, #[CurrentUser] Account $account): JsonResponse
    {
        $this->comments->make($question, Body::of($request), $account);

        return $this->answer($question, 201);
    }

    #[Route('/comments/{comment}', requirements: ['comment' => '\d{1,18}'], methods: ['PUT'])]
    public function changeComment(
        #[MapEntity(id: 'id')]
        Question $question,
        #[MapEntity(mapping: ['comment' => 'id', 'id' => 'question'])]
        Comment $comment,
        Request $request,
        #[CurrentUser]
        Account $account,
    ): JsonResponse {
        return $this->answer($this->comments->answerOrClose($comment, Body::of($request), $account));
    }

    #[Route('/waved', methods: ['POST'])]
    public function waveOff(#[MapEntity] Question $question, Request $request, #[CurrentUser] Account $account): JsonResponse
    {
        $this->proofs->waveOff($question, Body::of($request), $account);

        return $this->answer($question, 201);
    }

    #[Route('/waved', methods: ['PUT'])]
    public function bringBack(#[MapEntity] Question $question, Request $request): JsonResponse
    {
        $this->proofs->bringBack($question, Body::of($request));

        return $this->answer($question);
    }

    #[Route('/as-seen', methods: ['GET'])]
    public function asSeen(#[MapEntity] Question $question, Media $media, #[MapQueryParameter] int $seed = 1): JsonResponse
    {
        return new JsonResponse((new TryOut($question, $seed))->asSeen($media));
    }

    #[Route('/try', methods: ['POST'])]
    public function tryOut(#[MapEntity] Question $question, Request $request): JsonResponse
    {
        $body = Body::of($request);

        return new JsonResponse((new TryOut($question, Body::seed($body) ?? 1))->mark($body));
    }

    #[Route('/guess', methods: ['GET'])]
    public function guess(#[MapEntity] Question $question): JsonResponse
    {
        return new JsonResponse((new TryOut($question, 1))->guess());
    }

    #[Route('/scores', methods: ['GET'])]
    public function scores(#[MapEntity] Question $question, #[MapQueryParameter] bool $all = false): JsonResponse
    {
        return new JsonResponse((new TryOut($question, 1))->table($all));
    }

    private function answer(Question $question, int $status = 200): JsonResponse
    {
        return new JsonResponse($this->view->of($question), $status);
    }
}
