<?php

declare(strict_types=1);

namespace Zetema\App\People;

use Doctrine\ORM\EntityManagerInterface;
use Symfony\Bridge\Doctrine\Attribute\MapEntity;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\IsGranted;
use Zetema\App\Shared\Body;
use Zetema\App\Shared\Saving;
use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Malformed;

/** Groups of candidates, who an assessment can be opened for all at once. */
#[IsGranted('ROLE_AUTHOR')]
final readonly class GroupController
{
    public const LONGEST_NAME = 80;

    public function __construct(private EntityManagerInterface $em, private Saving $saving)
    {
    }

    #[Route('/api/groups', methods: ['GET'])]
    public function groups(): JsonResponse
    {
        return new JsonResponse($this->all());
    }

    #[Route('/api/groups', methods: ['POST'])]
    public function make(Request $request): JsonResponse
    {
        $name = $this->name(Body::of($request), null);
        $this->saving->make(fn () => $this->em->persist(new Group($name)));

        return new JsonResponse($this->all(), 201);
    }

    /** Another name, other members, or both. */
    #[Route('/api/groups/{id}', methods: ['PUT'])]
    public function change(#[MapEntity] Group $group, Request $request): JsonResponse
    {
        $body = Body::of($request);
        $name = $body->has('name') ? $this->name($body, $group->id) : null;
        $members = $body->has('members') ? $this->candidates($body->integers('members')) : null;
        $this->saving->change(
            Group::class,
            $group->id,
            $body->integer('version'),
            static function (Group $group) use ($name, $members): void {
                $group->rename($name ?? $group->name());
                if ($members !== null) {
                    $group->hold($members);
                }
            },
            'This group was changed in another window or by someone else since you opened it.',
            static fn (Group $group): array => $group->toData(),
        );

        return new JsonResponse($this->all());
    }

    #[Route('/api/groups/{id}', methods: ['DELETE'])]
    public function delete(#[MapEntity] Group $group): JsonResponse
    {
        $this->saving->make(fn () => $this->em->remove($group));

        return new JsonResponse($this->all());
    }

    /** @return array{groups: list<array<string, mixed>>, candidates: list<array{id: int, name: string, login: string}>} */
    private function all(): array
    {
        return [
            'groups' => array_map(
                static fn (Group $group): array => $group->toData(),
                $this->em->getRepository(Group::class)->findBy([], ['name' => 'ASC']),
            ),
            'candidates' => array_map(
                static fn (Account $account): array => ['id' => $account->id, 'name' => $account->name, 'login' => $account->login],
                $this->em->getRepository(Account::class)->findBy(['role' => Role::Candidate], ['name' => 'ASC']),
            ),
        ];
    }

    /**
     * @param list<int> $ids
     *
     * @return list<int> those of candidates, rising
     */
    private function candidates(array $ids): array
    {
        return array_map(
            static fn (Account $account): int => $account->id,
            $this->em->getRepository(Account::class)->findBy(['id' => $ids, 'role' => Role::Candidate], ['id' => 'ASC']),
        );
    }

    private function name(Fields $body, ?int $own): string
    {
        $name = trim($body->text('name'));
        if ($name === '' || mb_strlen($name) > self::LONGEST_NAME) {
            throw new Malformed('name', sprintf('must have 1 to %d characters', self::LONGEST_NAME));
        }
        $other = $this->em->getRepository(Group::class)->findOneBy(['name' => $name]);
        if ($other !== null && $other->id !== $own) {
            throw new Malformed('name', sprintf('“%s” is taken by another group', $name));
        }

        return $name;
    }
}
