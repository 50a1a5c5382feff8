<?php

declare(strict_types=1);

namespace Zetema\Core\Drawing;

use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Malformed;

/** What dealing needs of a blueprint: its running order of draws and fixed questions, what must not meet, and the pass mark. */
final readonly class DealingPlan
{
    /**
     * @param list<Draw|string> $steps draws, and ids of fixed questions
     * @param list<array{string, string}> $apart pairs of ids that never meet in a form
     */
    public function __construct(public array $steps, public array $apart = [], public ?PassMark $pass = null)
    {
    }

    public static function fromData(Fields $data): self
    {
        $data->only('steps', 'apart', 'pass');
        $steps = [];
        foreach ($data->objects('steps') as $step) {
            $step->only('draw', 'question');
            $steps[] = $step->has('draw') ? Draw::fromData($step->object('draw')) : $step->text('question');
        }
        $apart = [];
        foreach ($data->items('apart', optional: true) as $pair) {
            if (!is_array($pair) || !isset($pair[0], $pair[1]) || !is_string($pair[0]) || !is_string($pair[1]) || count($pair) !== 2) {
                throw new Malformed('apart', 'must be a list of pairs of names');
            }
            $apart[] = [$pair[0], $pair[1]];
        }
        $pass = $data->optionalObject('pass');

        return new self($steps, $apart, $pass === null ? null : PassMark::fromData($pass));
    }

    /** @return array<string, mixed> */
    public function toData(): array
    {
        return [
            'steps' => array_map(
                static fn (Draw|string $step): array => $step instanceof Draw ? ['draw' => $step->toData()] : ['question' => $step],
                $this->steps,
            ),
            ...$this->apart === [] ? [] : ['apart' => $this->apart],
            ...$this->pass === null ? [] : ['pass' => $this->pass->toData()],
        ];
    }

    /**
     * The same where these are kept apart, too.
     *
     * @param list<array{string, string}> $pairs
     */
    public function keepingApart(array $pairs): self
    {
        return $pairs === [] ? $this : new self($this->steps, [...$this->apart, ...$pairs], $this->pass);
    }

    /** @return list<Draw> in the order written */
    public function draws(): array
    {
        return array_values(array_filter($this->steps, static fn (Draw|string $step): bool => $step instanceof Draw));
    }

    /** How many each form has. */
    public function questions(): int
    {
        return array_sum(array_map(static fn (Draw|string $step): int => $step instanceof Draw ? $step->take : 1, $this->steps));
    }

    /** @return list<string> ids that pools and pairs kept apart name, each once */
    public function named(): array
    {
        $named = array_merge(...$this->apart);
        foreach ($this->draws() as $draw) {
            array_push($named, ...$draw->pool->only, ...$draw->pool->without, ...$draw->pool->also);
        }

        return array_values(array_unique($named));
    }

    /** @return list<string> tags that pools ask for, each once */
    public function tags(): array
    {
        return array_values(array_unique(array_merge(...array_map(static fn (Draw $draw): array => $draw->pool->tags, $this->draws()))));
    }

    /** @return list<string> names of the pools kept by the bank that draws take from, each once */
    public function pools(): array
    {
        return array_values(
            array_unique(array_filter(array_map(static fn (Draw $draw): ?string => $draw->pool->in, $this->draws()), is_string(...))),
        );
    }

    /** @return list<string> ids of the fixed questions */
    public function fixed(): array
    {
        return array_values(array_filter($this->steps, is_string(...)));
    }
}
