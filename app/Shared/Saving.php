<?php

declare(strict_types=1);

namespace Zetema\App\Shared;

use Doctrine\ORM\EntityManagerInterface;
use Doctrine\ORM\OptimisticLockException;
use Doctrine\Persistence\ManagerRegistry;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/**
 * The one way to save. A change is made to what stands in the database now, not to what was loaded when the request came in; who
 * builds on an older version is told the newer one. Of two at once, one is first and the other is stale.
 */
final readonly class Saving
{
    public function __construct(private EntityManagerInterface $em, private ManagerRegistry $registry)
    {
    }

    /**
     * @template T of Versioned
     * @template R
     *
     * @param class-string<T> $class
     * @param int|null $version over which the change was made; null where it does not depend on one
     * @param callable(T): R $change
     * @param callable(T): array<string, mixed> $current what is told to who was second
     *
     * @return R
     *
     * @throws Stale
     */
    public function change(string $class, int $id, ?int $version, callable $change, string $stale, callable $current): mixed
    {
        try {
            return $this->em->wrapInTransaction(function () use ($class, $id, $version, $change, $stale, $current): mixed {
                $this->em->clear();
                $entity = $this->em->find($class, $id) ?? throw new NotFoundHttpException();
                if ($version !== null && $version !== $entity->version()) {
                    throw new Stale($stale, $current($entity));
                }

                return $change($entity);
            });
        } catch (OptimisticLockException) {
            // Where the database lets two transactions read the same, the second one to write finds the version raised.
            $this->registry->resetManager();
            $entity = $this->em->find($class, $id) ?? throw new NotFoundHttpException();
            throw new Stale($stale, $current($entity));
        }
    }

    /**
     * Makes something new; what it asks for, such as whether a name is free, is asked within the same transaction.
     *
     * @template R
     *
     * @param callable(): R $make
     *
     * @return R
     */
    public function make(callable $make): mixed
    {
        return $this->em->wrapInTransaction($make);
    }

    /**
     * What was loaded before, within a transaction that began afresh.
     *
     * @template T of object
     *
     * @param class-string<T> $class
     *
     * @return T
     */
    public function again(string $class, int $id): object
    {
        return $this->em->getReference($class, $id) ?? throw new \LogicException('it was loaded before');
    }
}
