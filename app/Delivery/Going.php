<?php

declare(strict_types=1);

namespace Zetema\App\Delivery;

use Zetema\Core\Sitting\Paper\Paper;
use Zetema\Core\Sitting\Run\Conduct;
use Zetema\Core\Sitting\Run\Terms;
use Zetema\Core\Sitting\State\State;

/** A sitting as it stands: its paper, its terms, its state. */
final readonly class Going
{
    public function __construct(public Paper $paper, public Terms $terms, public Conduct $conduct, public State $state)
    {
    }

    public function at(State $state): self
    {
        return new self($this->paper, $this->terms, $this->conduct, $state);
    }
}
