<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Archive;

use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsGranted;
use Zetema\App\Background\Jobs;
use Zetema\App\Bank\Banks;
use Zetema\App\People\Account;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Exchange\Archive\Archive;
use Zetema\Core\Exchange\Zip\RefusedZip;
use Zetema\Core\Exchange\Zip\SafeZip;

/** An archive comes in as a bank of its own. */
#[IsGranted('ROLE_AUTHOR')]
final readonly class ArchiveController
{
    /** The body is the archive itself; the bank gets the name in the address, or its own. */
    #[Route('/api/banks/from-archive', methods: ['POST'], priority: 1)]
    public function restore(Request $request, Banks $banks, Jobs $jobs, KeptArchives $kept, #[CurrentUser] Account $account): JsonResponse
    {
        if ((int) $request->headers->get('Content-Length', '0') > KeptArchives::LARGEST) {
            throw new Malformed(
                'file',
                sprintf('is larger than the %d MB that an archive may have', intdiv(KeptArchives::LARGEST, 1_000_000)),
            );
        }
        $key = $kept->keep($request->getContent(true));
        try {
            $archive = new Archive(SafeZip::open($kept->path($key)));
            $name = $request->query->getString('name');
            $job = $jobs->begin(
                RestoreBank::class,
                null,
                $account,
                ['archive' => $key],
                $archive->count() <= RestoreBank::AT_ONCE,
                static fn (): array => ['made' => $banks->make($name === '' ? $archive->bank : $name, isUnfinished: true)->id],
            );
        } catch (RefusedZip|Malformed $e) {
            $kept->forget($key);
            throw $e instanceof Malformed ? $e : new Malformed('file', $e->getMessage());
        }

        return new JsonResponse(['made' => $job->bankId, 'job' => $job->toData()], 202);
    }
}
