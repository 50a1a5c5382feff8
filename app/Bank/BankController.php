<?php

declare(strict_types=1);

namespace Zetema\App\Bank;

use Symfony\Bridge\Doctrine\Attribute\MapEntity;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpKernel\Attribute\MapQueryParameter;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsGranted;
use Zetema\App\Bank\Question\Listing\QuestionFilter;
use Zetema\App\Bank\Question\Listing\QuestionList;
use Zetema\App\Bank\Question\Listing\QuestionOrder;
use Zetema\App\Bank\Question\QuestionEditing;
use Zetema\App\Bank\Question\QuestionView;
use Zetema\App\Bank\Review\ProofreadingReport;
use Zetema\App\Bank\Settings\BankSettingsEditing;
use Zetema\App\Bank\Settings\Differing;
use Zetema\App\Bank\Settings\Specimens;
use Zetema\App\People\Account;
use Zetema\App\Shared\Body;
use Zetema\Core\Data\Fields;

#[IsGranted('ROLE_READER')]
final readonly class BankController
{
    public function __construct(private BankSettingsEditing $settings, private QuestionEditing $editing, private QuestionView $view)
    {
    }

    #[Route('/api/banks/{id}/board', methods: ['GET'])]
    public function board(#[MapEntity] Bank $bank, Board $board, #[CurrentUser] Account $account): JsonResponse
    {
        return new JsonResponse([...$board->of($bank), ...$board->work($bank, $account)]);
    }

    #[Route('/api/banks/{id}/board/{by}', methods: ['GET'])]
    public function boardBy(#[MapEntity(mapping: ['id' => 'id'])] Bank $bank, string $by, Board $board): JsonResponse
    {
        return new JsonResponse($board->by($bank, $by));
    }

    #[Route('/api/banks/{id}/find', methods: ['GET'])]
    public function find(#[MapEntity] Bank $bank, Finding $finding, #[MapQueryParameter] string $typed = ''): JsonResponse
    {
        return new JsonResponse(['found' => $finding->of($bank, $typed)]);
    }

    #[Route('/api/banks/{id}/settings', methods: ['GET'])]
    public function settings(#[MapEntity] Bank $bank): JsonResponse
    {
        return new JsonResponse($this->settings->settings($bank));
    }

    #[Route('/api/banks/{id}/settings', methods: ['PUT'])]
    #[IsGranted('ROLE_AUTHOR')]
    public function set(#[MapEntity] Bank $bank, Request $request, #[CurrentUser] Account $account): JsonResponse
    {
        return new JsonResponse($this->settings->settings($this->settings->set($bank, Body::of($request), $account)));
    }

    #[Route('/api/banks/{id}/settings/differing', methods: ['GET'])]
    public function differing(#[MapEntity] Bank $bank, Differing $differing, Specimens $specimens): JsonResponse
    {
        $told = $differing->of($bank);

        return new JsonResponse([
            'differ' => (object) $told['differ'],
            'follow' => (object) $told['follow'],
            'cleared' => (object) $told['cleared'],
            'specimen' => (object) $specimens->of($bank),
        ]);
    }

    #[Route('/api/banks/{id}/proofreading', methods: ['GET'])]
    public function proofread(
        #[MapEntity]
        Bank $bank,
        ProofreadingReport $report,
        #[MapQueryParameter]
        ?string $rule = null,
        #[MapQueryParameter]
        int $after = 0,
    ): JsonResponse {
        return new JsonResponse($report->of($bank, $rule, $after));
    }

    #[Route('/api/banks/{id}/questions', methods: ['GET'])]
    public function questions(
        #[MapEntity]
        Bank $bank,
        QuestionList $list,
        Request $request,
        #[CurrentUser]
        Account $account,
        #[MapQueryParameter]
        ?QuestionOrder $order = null,
        #[MapQueryParameter]
        string $after = '',
        #[MapQueryParameter]
        bool $more = false,
    ): JsonResponse {
        $filter = self::filter($request, $account);
        // What a search finds stands as it was made, which the index gives at once.
        $order ??= $filter->search === '' ? QuestionOrder::Objective : QuestionOrder::Made;

        return new JsonResponse($list->of($bank, $filter, $order, $after, $more));
    }

    #[Route('/api/banks/{id}/questions', methods: ['POST'])]
    #[IsGranted('ROLE_AUTHOR')]
    public function make(#[MapEntity] Bank $bank, Request $request, #[CurrentUser] Account $account): JsonResponse
    {
        return new JsonResponse($this->view->of($this->editing->make($bank, Body::of($request), $account)), 201);
    }

    /** What the list is narrowed to, as its address says. */
    private static function filter(Request $request, Account $account): QuestionFilter
    {
        return QuestionFilter::of(Fields::of(array_diff_key($request->query->all(), ['order' => 1, 'after' => 1, 'more' => 1])), $account);
    }
}
