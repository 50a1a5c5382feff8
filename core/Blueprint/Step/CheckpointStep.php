<?php

declare(strict_types=1);

namespace Zetema\Core\Blueprint\Step;

use Zetema\Core\Blueprint\Blueprint;

/** Where the way divides by what happened so far. */
final readonly class CheckpointStep extends Step
{
    /**
     * @param list<Route> $routes the first whose condition holds is taken
     * @param bool $isAnnounced whether it is a screen of its own; else it is passed unseen
     */
    public function __construct(
        string $id,
        public array $routes,
        public string $otherwise = Blueprint::NEXT,
        public bool $isAnnounced = false,
    ) {
        parent::__construct($id);
    }

    /** @return list<string> all that it may lead to, as written */
    public function ways(): array
    {
        return [...array_map(static fn (Route $route): string => $route->to, $this->routes), $this->otherwise];
    }
}
