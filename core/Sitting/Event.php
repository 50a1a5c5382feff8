<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting;

use Zetema\Core\Question\Response\Response;

/** Something that happened in a sitting. Events are only ever added; the state is what they add up to. */
final readonly class Event
{
    /**
     * @param int $at milliseconds since 1970, UTC, by the server's clock
     * @param int|null $sheet 1-based place of the question in the paper
     */
    public function __construct(public EventType $type, public int $at, public ?int $sheet = null, public ?Response $response = null)
    {
    }
}
