<?php

declare(strict_types=1);

namespace Zetema\Core\Blueprint\Check;

use Zetema\Core\Blueprint\Blueprint;
use Zetema\Core\Blueprint\Reading\Refusals;

/** All that can be wrong with a blueprint whose shape is right. */
final readonly class Checks
{
    public function __construct(private Blueprint $blueprint, private Known $known, private Refusals $refusals)
    {
    }

    public function run(): void
    {
        (new NamesCheck($this->blueprint, $this->known, $this->refusals))->run();
        (new RulesCheck($this->blueprint, $this->refusals))->run();
        (new StepsCheck($this->blueprint, $this->known, $this->refusals))->run();
        (new ConditionsCheck($this->blueprint, $this->known, $this->refusals))->run();
        (new BandsCheck($this->blueprint, $this->refusals))->run();
        if ($this->refusals->isEmpty()) {
            // where ways lead can only be told when all else is right
            (new WaysCheck($this->blueprint, $this->refusals))->run();
        }
    }
}
