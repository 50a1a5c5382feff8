<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\Event;

use Zetema\Core\Question\Response\Response;
use Zetema\Core\Time\Instant;

/** A response was checked: an attempt. */
final readonly class Checked extends AtQuestion
{
    public function __construct(Instant $at, string $place, public Response $response)
    {
        parent::__construct($at, $place);
    }
}
