<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Change;

use Zetema\Core\Question\Sketch;

/** What a change of many comes to for one question. */
final readonly class Changed
{
    /**
     * @param Sketch $sketch as it will be
     * @param list<string>|null $objective where it will stand; null: where it stands
     * @param list<array{what: string, from: string, to: string}> $changes
     * @param list<array{what: string, why: string}> $stays what was wanted, and stays as it is
     */
    public function __construct(public Sketch $sketch, public ?array $objective, public array $changes, public array $stays)
    {
    }

    public function isNone(): bool
    {
        return $this->changes === [];
    }
}
