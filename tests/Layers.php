<?php

declare(strict_types=1);

namespace Zetema\Tests;

use PHPat\Selector\Selector;
use PHPat\Test\Attributes\TestRule;
use PHPat\Test\Builder\Rule;
use PHPat\Test\PHPat;

/** Arrows point inwards only. PHPStan runs these rules. */
final class Layers
{
    #[TestRule]
    public function the_core_knows_no_framework(): Rule
    {
        return $this->mustNotKnow('Zetema\Core', 'Zetema\App', 'Symfony', 'Doctrine', 'Psr', 'Monolog');
    }

    #[TestRule]
    public function questions_know_nothing_of_their_marking(): Rule
    {
        return $this->mustNotKnow('Zetema\Core\Question', 'Zetema\Core\Marking', 'Zetema\Core\Drawing', 'Zetema\Core\Sitting', 'Zetema\Core\Exchange');
    }

    #[TestRule]
    public function marking_knows_questions_only(): Rule
    {
        return $this->mustNotKnow('Zetema\Core\Marking', 'Zetema\Core\Drawing', 'Zetema\Core\Sitting', 'Zetema\Core\Exchange');
    }

    #[TestRule]
    public function drawing_knows_no_sitting(): Rule
    {
        return $this->mustNotKnow('Zetema\Core\Drawing', 'Zetema\Core\Sitting', 'Zetema\Core\Exchange');
    }

    #[TestRule]
    public function exchange_knows_questions_only(): Rule
    {
        return $this->mustNotKnow('Zetema\Core\Exchange', 'Zetema\Core\Marking', 'Zetema\Core\Drawing', 'Zetema\Core\Sitting');
    }

    /**
     * @param non-empty-string $who
     * @param non-empty-string ...$whom
     */
    private function mustNotKnow(string $who, string ...$whom): Rule
    {
        return PHPat::rule()
            ->classes(Selector::inNamespace($who))
            ->shouldNotDependOn()
            ->classes(...array_map(/** @param non-empty-string $namespace */ static fn (string $namespace) => Selector::inNamespace($namespace), $whom))
            ->because('arrows point inwards only');
    }
}
