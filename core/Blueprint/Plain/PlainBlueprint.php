<?php

declare(strict_types=1);

namespace Zetema\Core\Blueprint\Plain;

use Zetema\Core\Blueprint\Blueprint;
use Zetema\Core\Blueprint\Check\TrustedNames;
use Zetema\Core\Blueprint\Outcome\Rung;
use Zetema\Core\Blueprint\Reading\BlueprintReader;
use Zetema\Core\Blueprint\Reading\VersionOne;
use Zetema\Core\Drawing\DealingPlan;
use Zetema\Core\Drawing\Draw;
use Zetema\Core\Drawing\PassMark;

/**
 * An assessment that is one section of draws, as a blueprint: in any order all its questions share one screen, forward each has its own.
 */
final class PlainBlueprint
{
    public static function of(string $title, DealingPlan $plan, PlainRules $rules): Blueprint
    {
        return BlueprintReader::read(self::document($title, $plan, $rules), new TrustedNames());
    }

    /** @return array<string, mixed> the same as it is stored and written down */
    public static function document(string $title, DealingPlan $plan, PlainRules $rules): array
    {
        $steps = [];
        foreach ($plan->steps as $i => $step) {
            $id = ['id' => (string) ($i + 1)];
            $steps[] =
                $step instanceof Draw
                    ? [
                        ...$id,
                        'draw' => ['take' => $step->take, 'pool' => $step->pool->toData()],
                        ...$step->points === null ? [] : ['settings' => ['points' => (string) $step->points]],
                    ]
                    : [...$id, 'question' => $step];
        }

        return self::documentOf($title, $steps, $rules, $plan->pass, $plan->apart);
    }

    /**
     * @param list<array<string, mixed>> $steps
     * @param list<array{string, string}> $apart
     */
    public static function ofSteps(string $title, array $steps, PlainRules $rules, ?PassMark $pass, array $apart = []): Blueprint
    {
        return BlueprintReader::read(self::documentOf($title, $steps, $rules, $pass, $apart), new TrustedNames());
    }

    /**
     * @param list<array<string, mixed>> $steps
     * @param list<array{string, string}> $apart
     *
     * @return array<string, mixed>
     */
    private static function documentOf(string $title, array $steps, PlainRules $rules, ?PassMark $pass, array $apart): array
    {
        $review = static fn (Rung $rung): array => [['rung' => $rung->value]];

        return [
            'v' => Blueprint::VERSION,
            'title' => $title,
            'rules' => [
                ...$rules->seconds === null ? [] : ['time' => $rules->seconds . ' s'],
                'moving' => $rules->forwardOnly ? 'forward only' : 'any order',
                'screen' => $rules->forwardOnly ? 'question' : 'section',
                'feedback' => $rules->tellsAtOnce ? 'after each attempt' : 'at the end',
                'worth' => $rules->showsWorth,
                'mustAnswer' => $rules->mustAnswer,
                'sittings' => $rules->sittings ?? 'unlimited',
            ],
            ...$pass === null ? [] : ['pass' => $pass->toData()],
            'sections' => [['id' => VersionOne::SECTION, 'steps' => $steps]],
            'review' => ['passed' => $review($rules->whoPassesSees), 'notPassed' => $review($rules->whoDoesNotSees)],
            ...$apart === [] ? [] : ['apart' => $apart],
        ];
    }
}
