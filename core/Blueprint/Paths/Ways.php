<?php

declare(strict_types=1);

namespace Zetema\Core\Blueprint\Paths;

use Zetema\Core\Blueprint\Blueprint;
use Zetema\Core\Blueprint\Section;
use Zetema\Core\Blueprint\Step\CheckpointStep;
use Zetema\Core\Blueprint\Step\Lead;
use Zetema\Core\Blueprint\Step\PageStep;
use Zetema\Core\Blueprint\Step\QuestionStep;
use Zetema\Core\Blueprint\Step\Step;

/** Where each step of a blueprint may lead: places in the running order, from 0; one more than there are is the end. */
final class Ways
{
    /** @var list<array{Section, Step}> */
    public readonly array $steps;
    /** @var array<string, int> places by ids of steps and sections */
    public array $places = [];
    /** @var array<string, int> places of sections in the blueprint */
    public array $sections = [];

    public function __construct(public readonly Blueprint $blueprint)
    {
        $this->steps = $blueprint->steps();
        $place = 0;
        foreach ($blueprint->sections as $i => $section) {
            $this->places[$section->id] = $place;
            $this->sections[$section->id] = $i;
            foreach ($section->steps as $step) {
                $this->places[$step->id] = $place++;
            }
        }
    }

    /** @return list<string> all that a step may lead to, as written */
    public static function written(Step $step): array
    {
        return match (true) {
            $step instanceof CheckpointStep => $step->ways(),
            $step instanceof PageStep => [$step->then ?? Blueprint::NEXT],
            $step instanceof QuestionStep => [
                Blueprint::NEXT,
                ...array_values(
                    array_filter(array_map(static fn (Lead $lead): ?string => $lead->then, $step->leads->typed()), is_string(...)),
                ),
            ],
            default => [Blueprint::NEXT],
        };
    }

    /** @return int|null null: there is no such step or section */
    public function place(int $from, string $way): ?int
    {
        return match ($way) {
            Blueprint::END => count($this->steps),
            Blueprint::NEXT => $from + 1,
            default => $this->places[$way] ?? null,
        };
    }

    /** @return list<int> places that a step leads forward to, each once */
    public function from(int $place): array
    {
        $to = array_map(fn (string $way): ?int => $this->place($place, $way), self::written($this->steps[$place][1]));

        return array_values(array_unique(array_filter($to, static fn (?int $reached): bool => $reached !== null && $reached > $place)));
    }
}
