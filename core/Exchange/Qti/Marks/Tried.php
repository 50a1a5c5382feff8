<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Qti\Marks;

use Zetema\Core\Exchange\Qti\Variables\Value;

/** A response that an item's rules are run for, and the same as we take it. */
final readonly class Tried
{
    /**
     * @param array<string, Value|null> $responses by the item's identifiers
     * @param array<string, mixed>|null $response null: blank
     * @param list<int|string> $given what of the answers is in it: choices, wordings, parts; for feedback
     */
    public function __construct(public array $responses, public ?array $response, public array $given = [])
    {
    }
}
