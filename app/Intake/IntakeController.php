<?php

declare(strict_types=1);

namespace Zetema\App\Intake;

use Doctrine\ORM\EntityManagerInterface;
use Symfony\Bridge\Doctrine\Attribute\MapEntity;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsGranted;
use Zetema\App\Bank\Bank;
use Zetema\App\Bank\Batch;
use Zetema\App\Intake\Package\PackageOpening;
use Zetema\App\People\Account;
use Zetema\App\Shared\Body;
use Zetema\Core\Data\Malformed;

#[IsGranted('ROLE_AUTHOR')]
final readonly class IntakeController
{
    /** Bytes of a request; Intake says how much text it takes. */
    private const LARGEST = 12_000_000;
    private const LARGEST_PACKAGE = 200_000_000;

    public function __construct(private Intake $intake)
    {
    }

    #[Route('/api/banks/{id}/intake/read', methods: ['POST'])]
    public function read(#[MapEntity] Bank $bank, Request $request): JsonResponse
    {
        return new JsonResponse($this->intake->understand($bank, Brought::of(Body::of($request, self::LARGEST))));
    }

    #[Route('/api/banks/{id}/intake', methods: ['POST'])]
    public function takeIn(#[MapEntity] Bank $bank, Request $request, #[CurrentUser] Account $account): JsonResponse
    {
        $body = Body::of($request, self::LARGEST);

        $job = $this->intake->takeIn(
            $bank,
            Brought::of($body),
            $body->integers('lines'),
            $body->text('name', ''),
            $account,
            $body->optionalInteger('batch'),
            $body->textMap('pictures'),
            $body->objects('blueprints', optional: true),
        );

        return new JsonResponse($job->toData(), $job->state()->isOver() ? 201 : 202);
    }

    /** An item or a package of the open standard as it is, its name in the address. */
    #[Route('/api/banks/{id}/intake/package', methods: ['POST'])]
    public function openPackage(#[MapEntity] Bank $bank, Request $request, PackageOpening $opening): JsonResponse
    {
        $size = (int) $request->headers->get('Content-Length', '0');
        $path = tempnam(sys_get_temp_dir(), 'zetema');
        if ($path === false || $size > self::LARGEST_PACKAGE) {
            throw new Malformed(
                'file',
                sprintf('has %.1f MB; a package may have up to %d MB', $size / 1e6, intdiv(self::LARGEST_PACKAGE, 1_000_000)),
            );
        }
        try {
            // A large one never is in memory as a whole.
            if (file_put_contents($path, $request->getContent(true)) > self::LARGEST_PACKAGE) {
                throw new Malformed(
                    'file',
                    sprintf('is larger than the %d MB that a package may have', intdiv(self::LARGEST_PACKAGE, 1_000_000)),
                );
            }
            $opened = $opening->open($bank, $path, $request->query->getString('name'));

            return new JsonResponse([...$opened, 'pictures' => (object) $opened['pictures']]);
        } finally {
            unlink($path);
        }
    }

    /** A file as it is, its name and encoding in the address. */
    #[Route('/api/intake/open', methods: ['POST'])]
    public function open(Request $request, Opening $opening): JsonResponse
    {
        $size = max((int) $request->headers->get('Content-Length', '0'), 0);
        if ($size > self::LARGEST || strlen($bytes = $request->getContent()) > self::LARGEST) {
            throw new Malformed('file', sprintf('has %.1f MB; up to %d MB can be opened', $size / 1e6, intdiv(self::LARGEST, 1_000_000)));
        }

        return new JsonResponse($opening->open($bytes, $request->query->getString('name'), $request->query->getString('encoding')));
    }

    #[Route('/api/banks/{id}/batches', methods: ['GET'])]
    public function batches(#[MapEntity] Bank $bank, EntityManagerInterface $em): JsonResponse
    {
        $batches = $em->getRepository(Batch::class)->findBy(['bank' => $bank], ['id' => 'DESC'], 20);

        return new JsonResponse(['batches' => array_map(static fn (Batch $b): array => $b->toData(), $batches)]);
    }

    #[Route('/api/batches/{id}/take-back', methods: ['POST'])]
    public function takeBack(#[MapEntity] Batch $batch, #[CurrentUser] Account $account, TakingBack $taking): JsonResponse
    {
        $job = $taking->takeBack($batch, $account);

        return new JsonResponse($job->toData(), $job->state()->isOver() ? 200 : 202);
    }
}
