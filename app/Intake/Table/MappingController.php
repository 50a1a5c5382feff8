<?php

declare(strict_types=1);

namespace Zetema\App\Intake\Table;

use Doctrine\ORM\EntityManagerInterface;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsGranted;
use Zetema\App\People\Account;
use Zetema\App\Shared\Body;
use Zetema\App\Shared\Saving;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Exchange\Table\Mapping;

/** Columns of tables that are kept by name and offered again, for every bank. */
#[IsGranted('ROLE_AUTHOR')]
final readonly class MappingController
{
    private const MOST = 200;
    private const MOST_COLUMNS = 200;

    public function __construct(private EntityManagerInterface $em, private Saving $saving)
    {
    }

    #[Route('/api/intake/mappings', methods: ['GET'])]
    public function mappings(): JsonResponse
    {
        return new JsonResponse([
            'mappings' => array_map(
                static fn (KeptMapping $m): array => $m->toData(),
                $this->em->getRepository(KeptMapping::class)->findBy([], ['name' => 'ASC']),
            ),
        ]);
    }

    /** Keeps one; what was kept under its name is gone. */
    #[Route('/api/intake/mappings', methods: ['PUT'])]
    public function keep(Request $request, #[CurrentUser] Account $account): JsonResponse
    {
        $body = Body::of($request);
        $name = trim($body->text('name'));
        $headings = $body->texts('headings');
        $mapping = $body->object('mapping');
        Mapping::of($mapping);
        if ($name === '' || mb_strlen($name) > 80) {
            throw new Malformed('name', 'must have 1 to 80 characters');
        }
        if ($headings === [] || count($headings) > self::MOST_COLUMNS) {
            throw new Malformed('headings', sprintf('must be those of 1 to %d columns', self::MOST_COLUMNS));
        }
        $this->saving->make(function () use ($name, $headings, $mapping, $account): void {
            $repository = $this->em->getRepository(KeptMapping::class);
            $kept = $repository->findOneBy(['name' => $name]);
            if ($kept === null && $repository->count([]) >= self::MOST) {
                throw new Malformed('name', sprintf('would be one too many: %d are kept. Let go of one first', self::MOST));
            }
            $kept ??= new KeptMapping($name, $account);
            $kept->say($headings, $mapping->raw(), $account);
            $this->em->persist($kept);
        });

        return $this->mappings();
    }

    /** One that is gone already stays so. */
    #[Route('/api/intake/mappings/{id}', methods: ['DELETE'])]
    public function leave(int $id): JsonResponse
    {
        $this->saving->make(function () use ($id): void {
            $kept = $this->em->find(KeptMapping::class, $id);
            $kept === null ? null : $this->em->remove($kept);
        });

        return $this->mappings();
    }
}
