<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\Paper;

/** What is read again after a question failed here. */
final readonly class Refresher
{
    /**
     * @param non-empty-list<string> $pages
     * @param int $rounds how often one can be sent to it
     * @param string $stands of the rounds: "last", "best" or "first"
     */
    public function __construct(public array $pages, public int $rounds, public string $stands, public bool $clockRunsOn, public bool $timeAfresh)
    {
    }
}
