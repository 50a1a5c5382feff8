<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Out;

use Symfony\Bridge\Doctrine\Attribute\MapEntity;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpFoundation\StreamedResponse;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsGranted;
use Zetema\App\Bank\Archive\BankArchive;
use Zetema\App\Bank\Bank;
use Zetema\App\Bank\Question\Listing\QuestionFilter;
use Zetema\App\Bank\Question\Listing\QuestionList;
use Zetema\App\People\Account;
use Zetema\App\Shared\FixedZip;
use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Exchange\Qti\Writing\Version;

/** The ways out of a bank: all of it, or what its list is narrowed to. */
#[IsGranted('ROLE_READER')]
final readonly class OutController
{
    public function __construct(private QuestionList $list)
    {
    }

    #[Route('/api/banks/{id}/text', methods: ['GET'])]
    public function text(#[MapEntity] Bank $bank, BankText $text, Request $request, #[CurrentUser] Account $account): Response
    {
        return new StreamedResponse($text->pieces($bank, $this->selection($bank, $request, $account)), 200, ['Content-Type' => 'text/plain; charset=utf-8', 'Content-Disposition' => 'attachment; filename="bank.zet.txt"']);
    }

    #[Route('/api/banks/{id}/table', methods: ['GET'])]
    public function table(#[MapEntity] Bank $bank, BankTable $table, Request $request, #[CurrentUser] Account $account): Response
    {
        return new StreamedResponse($table->pieces($bank, $this->selection($bank, $request, $account)), 200, ['Content-Type' => 'text/csv; charset=utf-8', 'Content-Disposition' => 'attachment; filename="bank.csv"']);
    }

    #[Route('/api/banks/{id}/table/missing', methods: ['GET'])]
    public function missing(#[MapEntity] Bank $bank, BankTable $table, Request $request, #[CurrentUser] Account $account): JsonResponse
    {
        $missing = $table->missing($bank, $this->selection($bank, $request, $account));

        return new JsonResponse([...$missing, 'missing' => array_map(static fn (array $m): array => ['what' => $m['what'], 'questions' => count($m['items'])], $missing['missing'])]);
    }

    #[Route('/api/banks/{id}/package', methods: ['GET'])]
    public function package(#[MapEntity] Bank $bank, BankPackage $package, Request $request, #[CurrentUser] Account $account): Response
    {
        return FixedZip::response($package->files($bank, $this->selection($bank, $request, $account), self::version($request)), 'package.zip');
    }

    #[Route('/api/banks/{id}/package/missing', methods: ['GET'])]
    public function missingInPackage(#[MapEntity] Bank $bank, BankPackage $package, Request $request, #[CurrentUser] Account $account): JsonResponse
    {
        return new JsonResponse($package->missing($bank, $this->selection($bank, $request, $account), self::version($request)));
    }

    #[Route('/api/banks/{id}/archive', methods: ['GET'])]
    #[IsGranted('ROLE_AUTHOR')]
    public function archive(#[MapEntity] Bank $bank, BankArchive $archive, Request $request, #[CurrentUser] Account $account): Response
    {
        return FixedZip::response($archive->files($bank, $this->selection($bank, $request, $account)), 'bank.zip');
    }

    /** @throws Malformed */
    public static function version(Request $request): Version
    {
        return Version::tryFrom($request->query->getString('as')) ?? throw new Malformed('as', 'is qti21 or qti30');
    }

    /** What the list is narrowed to, as its address says. */
    private function selection(Bank $bank, Request $request, Account $account): Selection
    {
        $filter = QuestionFilter::of(Fields::of(array_diff_key($request->query->all(), ['order' => 1, 'after' => 1, 'more' => 1, 'as' => 1])), $account);

        return new Selection($filter->isAll() ? null : $this->list->ids($bank, $filter));
    }
}
