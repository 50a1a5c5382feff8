<?php

declare(strict_types=1);

namespace Zetema\Core\Drawing\Stock;

use Zetema\Core\Data\Fields;
use Zetema\Core\Question\Kinds\KindId;

/** The questions that a draw may take from: all conditions must hold; an empty condition is none. */
final readonly class Pool
{
    /**
     * @param list<string> $objective path; empty: any
     * @param bool $below whether what lies below the objective fits too
     * @param list<string> $kinds
     * @param list<string> $tags all of them
     * @param list<string> $difficulty any of them
     * @param list<string> $only ids
     * @param list<string> $without ids
     * @param list<string> $also ids that fit whatever the conditions say
     * @param string|null $in the name of a pool that the bank keeps; what is in it fits
     */
    public function __construct(
        public array $objective = [],
        public bool $below = true,
        public array $kinds = [],
        public array $tags = [],
        public array $difficulty = [],
        public array $only = [],
        public array $without = [],
        public array $also = [],
        public ?string $in = null,
    ) {
    }

    public static function fromData(Fields $data): self
    {
        $data->only('objective', 'below', 'kinds', 'tags', 'difficulty', 'only', 'without', 'also', 'in');
        $kinds = $data->texts('kinds', optional: true);
        foreach ($kinds as $kind) {
            if (KindId::tryFrom($kind) === null) {
                throw new \Zetema\Core\Data\Malformed('kinds', sprintf('there is no kind “%s”', $kind));
            }
        }
        $objective = $data->text('objective', '');

        return new self(
            $objective === '' ? [] : array_map(trim(...), explode('>', $objective)),
            $data->flag('below', true),
            $kinds,
            $data->texts('tags', optional: true),
            $data->texts('difficulty', optional: true),
            $data->texts('only', optional: true),
            $data->texts('without', optional: true),
            $data->texts('also', optional: true),
            $data->optionalText('in'),
        );
    }

    /** @return array<string, mixed> */
    public function toData(): array
    {
        return array_filter(
            [
                'objective' => implode(' > ', $this->objective),
                'below' => $this->below ? null : false,
                'kinds' => $this->kinds,
                'tags' => $this->tags,
                'difficulty' => $this->difficulty,
                'only' => $this->only,
                'without' => $this->without,
                'also' => $this->also,
                'in' => $this->in,
            ],
            static fn (mixed $value): bool => !in_array($value, [null, '', []], true),
        );
    }

    public function fits(EligibleQuestion $question): bool
    {
        if (in_array($question->id, $this->without, true)) {
            return false;
        }

        return in_array($question->id, $this->also, true) ||
            ($this->fitsFacts($question->objective, $question->kind, $question->difficulty) &&
                array_diff($this->tags, $question->tags) === [] &&
                ($this->in === null || in_array($this->in, $question->pools, true)) &&
                ($this->only === [] || in_array($question->id, $this->only, true)));
    }

    /**
     * Whether questions of which only that much is known may fit; those that it also takes aside.
     *
     * @param list<string> $objective path
     */
    public function fitsFacts(array $objective, string $kind, ?string $difficulty): bool
    {
        return ($this->kinds === [] || in_array($kind, $this->kinds, true)) &&
            $this->fitsObjective($objective) &&
            ($this->difficulty === [] || in_array($difficulty, $this->difficulty, true));
    }

    /** In words: "Hive inspection: one", "pool Swarm season". */
    public function inWords(): string
    {
        $kinds = implode(' or ', $this->kinds);
        $objective = $this->objective === [] ? '' : $this->objective[count($this->objective) - 1];
        $where = implode(
            ', ',
            array_filter([$this->in === null ? '' : 'pool ' . $this->in, $objective], static fn (string $part): bool => $part !== ''),
        );

        return ($where === '' ? 'any objective' : $where) . ($kinds === '' ? '' : ': ' . $kinds);
    }

    /** @param list<string> $path */
    private function fitsObjective(array $path): bool
    {
        return $this->below ? array_slice($path, 0, count($this->objective)) === $this->objective : $path === $this->objective;
    }
}
