<?php

declare(strict_types=1);

namespace Zetema\Core\Blueprint\Reading;

/** What is found wrong while a blueprint is read and checked. */
final class Refusals
{
    /** Without a right shape and proper ids nothing else can be said. */
    private const FIRST = ['shape', 'id'];

    /** @var list<Refusal> */
    private array $all = [];

    public function add(string $where, string $subject, string $message): void
    {
        $this->all[] = new Refusal($where, $subject, $message);
    }

    /** @throws BlueprintRefused for its shape and ids */
    public function refuseUnread(): void
    {
        self::refuse(
            array_values(array_filter($this->all, static fn (Refusal $refusal): bool => in_array($refusal->subject, self::FIRST, true))),
        );
    }

    /** @throws BlueprintRefused for all that was found */
    public function refuseAny(): void
    {
        self::refuse($this->all);
    }

    /** @return list<Refusal> */
    public function all(): array
    {
        return $this->all;
    }

    public function isEmpty(): bool
    {
        return $this->all === [];
    }

    /** @param list<Refusal> $refusals */
    private static function refuse(array $refusals): void
    {
        if ($refusals !== []) {
            throw new BlueprintRefused($refusals);
        }
    }
}
