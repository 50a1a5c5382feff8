<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Out;

use Symfony\Bridge\Doctrine\Attribute\MapEntity;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Core\Exception\AccessDeniedException;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsGranted;
use Zetema\App\Background\Jobs;
use Zetema\App\Background\Out\WriteOut;
use Zetema\App\Bank\Archive\BankArchive;
use Zetema\App\Bank\Bank;
use Zetema\App\People\Account;
use Zetema\App\Shared\Body;
use Zetema\App\Shared\FixedZip;
use Zetema\App\Shared\NamedFile;
use Zetema\App\Shared\WholeFile;
use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Exchange\Qti\Writing\Version;
use Zetema\Core\Question\BankRole;

/** The ways out of a bank: all of it, or what its list is narrowed to. */
#[IsGranted('ROLE_READER')]
final readonly class OutController
{
    /** Up to so many are looked through in a second or two. */
    private const FEW = 1_000;

    public function __construct(private BankOut $out)
    {
    }

    /**
     * The same in the background, for what takes longer: {as: text | table | archive | qti21 | qti30, filter: what the list is narrowed
     * to}.
     */
    #[Route('/api/banks/{id}/out', methods: ['POST'])]
    public function out(#[MapEntity] Bank $bank, Request $request, Jobs $jobs, #[CurrentUser] Account $account): JsonResponse
    {
        $body = Body::of($request);
        $as = $body->text('as');
        if ($as === 'archive' && $account->role->inTheBank() !== BankRole::Author) {
            throw new AccessDeniedException();
        }
        $known = in_array($as, ['text', 'table', 'archive'], true) || Version::tryFrom($as) !== null;
        $known || throw new Malformed('as', 'is text, table, archive, qti21 or qti30');
        $filter = $body->optionalObject('filter') ?? Fields::of([]);
        $this->out->selection($bank, $filter, $account);

        return new JsonResponse(
            $jobs
                ->begin(
                    WriteOut::class,
                    $bank->id,
                    $account,
                    ['way' => BankOut::name(), 'bank' => $bank->id, 'as' => $as, 'filter' => (object) $filter->raw()],
                    atOnce: false,
                )
                ->toData(),
            202,
        );
    }

    #[Route('/api/banks/{id}/text', methods: ['GET'])]
    public function text(#[MapEntity] Bank $bank, BankText $text, Request $request, #[CurrentUser] Account $account): Response
    {
        return WholeFile::response(
            $text->pieces($bank, $this->selection($bank, $request, $account)),
            NamedFile::after($bank->name(), 'zet.txt', 'bank'),
            'text/plain; charset=utf-8',
        );
    }

    #[Route('/api/banks/{id}/table', methods: ['GET'])]
    public function table(#[MapEntity] Bank $bank, BankTable $table, Request $request, #[CurrentUser] Account $account): Response
    {
        return WholeFile::response(
            $table->pieces($bank, $this->selection($bank, $request, $account)),
            NamedFile::after($bank->name(), 'csv', 'bank'),
            'text/csv; charset=utf-8',
        );
    }

    /** What a table or package cannot say: {as: table | qti21 | qti30, filter}. At once if there are few. */
    #[Route('/api/banks/{id}/missing', methods: ['POST'])]
    public function missing(#[MapEntity] Bank $bank, Request $request, Jobs $jobs, #[CurrentUser] Account $account): JsonResponse
    {
        $body = Body::of($request);
        $as = $body->text('as');
        $as === 'table' || Version::tryFrom($as) !== null || throw new Malformed('as', 'is table, qti21 or qti30');
        $filter = $body->optionalObject('filter') ?? Fields::of([]);
        $few = $this->out->count($bank, $this->out->selection($bank, $filter, $account)) <= self::FEW;
        $job = $jobs->begin(LookThrough::class, $bank->id, $account, ['as' => $as, 'filter' => (object) $filter->raw()], atOnce: $few);

        return new JsonResponse($job->toData(), $job->state()->isOver() ? 200 : 202);
    }

    #[Route('/api/banks/{id}/package', methods: ['GET'])]
    public function package(#[MapEntity] Bank $bank, BankPackage $package, Request $request, #[CurrentUser] Account $account): Response
    {
        return FixedZip::response(
            $package->files($bank, $this->selection($bank, $request, $account), self::version($request)),
            NamedFile::after($bank->name() . ' ' . self::version($request)->value, 'zip', 'package'),
        );
    }

    #[Route('/api/banks/{id}/archive', methods: ['GET'])]
    #[IsGranted('ROLE_AUTHOR')]
    public function archive(#[MapEntity] Bank $bank, BankArchive $archive, Request $request, #[CurrentUser] Account $account): Response
    {
        return FixedZip::response(
            $archive->files($bank, $this->selection($bank, $request, $account)),
            NamedFile::after($bank->name(), 'zip', 'bank'),
        );
    }

    /** @throws Malformed */
    public static function version(Request $request): Version
    {
        return Version::tryFrom($request->query->getString('as')) ?? throw new Malformed('as', 'is qti21 or qti30');
    }

    /** What the list is narrowed to, as its address says. */
    private function selection(Bank $bank, Request $request, Account $account): Selection
    {
        set_time_limit(0);

        return $this->out->selection($bank, Fields::of($request->query->all()), $account);
    }
}
