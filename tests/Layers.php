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
    public function exchange_knows_questions_and_their_marking(): Rule
    {
        return $this->mustNotKnow('Zetema\Core\Exchange', 'Zetema\Core\Drawing', 'Zetema\Core\Sitting');
    }

    /** The areas of the application stand on each other in this order; Demo and CommandLine stand on all. */
    #[TestRule]
    public function shared_things_know_no_area(): Rule
    {
        return $this->mustNotKnow('Zetema\App\Shared', 'Zetema\App\People', 'Zetema\App\Background', 'Zetema\App\Bank', 'Zetema\App\Intake', 'Zetema\App\Blueprint', 'Zetema\App\Admission', 'Zetema\App\Delivery', 'Zetema\App\Results', 'Zetema\App\Demo', 'Zetema\App\CommandLine');
    }

    #[TestRule]
    public function people_know_no_bank(): Rule
    {
        return $this->mustNotKnow('Zetema\App\People', 'Zetema\App\Background', 'Zetema\App\Bank', 'Zetema\App\Intake', 'Zetema\App\Blueprint', 'Zetema\App\Admission', 'Zetema\App\Delivery', 'Zetema\App\Results', 'Zetema\App\Demo', 'Zetema\App\CommandLine');
    }

    #[TestRule]
    public function work_in_the_background_does_not_know_what_it_is(): Rule
    {
        return $this->mustNotKnow('Zetema\App\Background', 'Zetema\App\Bank', 'Zetema\App\Intake', 'Zetema\App\Blueprint', 'Zetema\App\Admission', 'Zetema\App\Delivery', 'Zetema\App\Results', 'Zetema\App\Demo', 'Zetema\App\CommandLine');
    }

    #[TestRule]
    public function a_bank_knows_nothing_of_what_is_made_of_it(): Rule
    {
        return $this->mustNotKnow('Zetema\App\Bank', 'Zetema\App\Intake', 'Zetema\App\Blueprint', 'Zetema\App\Admission', 'Zetema\App\Delivery', 'Zetema\App\Results', 'Zetema\App\Demo', 'Zetema\App\CommandLine');
    }

    #[TestRule]
    public function intake_knows_banks_only(): Rule
    {
        return $this->mustNotKnow('Zetema\App\Intake', 'Zetema\App\Blueprint', 'Zetema\App\Admission', 'Zetema\App\Delivery', 'Zetema\App\Results', 'Zetema\App\Demo', 'Zetema\App\CommandLine');
    }

    #[TestRule]
    public function blueprints_know_no_sitting(): Rule
    {
        return $this->mustNotKnow('Zetema\App\Blueprint', 'Zetema\App\Intake', 'Zetema\App\Admission', 'Zetema\App\Delivery', 'Zetema\App\Results', 'Zetema\App\Demo', 'Zetema\App\CommandLine');
    }

    #[TestRule]
    public function who_may_sit_is_said_without_sittings(): Rule
    {
        return $this->mustNotKnow('Zetema\App\Admission', 'Zetema\App\Intake', 'Zetema\App\Delivery', 'Zetema\App\Results', 'Zetema\App\Demo', 'Zetema\App\CommandLine');
    }

    #[TestRule]
    public function delivery_knows_no_intake(): Rule
    {
        return $this->mustNotKnow('Zetema\App\Delivery', 'Zetema\App\Results', 'Zetema\App\Intake', 'Zetema\App\Demo', 'Zetema\App\CommandLine');
    }

    #[TestRule]
    public function results_know_no_intake(): Rule
    {
        return $this->mustNotKnow('Zetema\App\Results', 'Zetema\App\Intake', 'Zetema\App\Demo', 'Zetema\App\CommandLine');
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
