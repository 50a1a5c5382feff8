<?php

declare(strict_types=1);

namespace Zetema\Core\Blueprint\Differing;

/** One thing in which a blueprint differs from an earlier one. */
final readonly class Difference
{
    /**
     * @param string|null $where the step or section that it is about, in words; null: the whole
     * @param string $what a word of the format: "title", "step", a rule, a setting, "pass", an objective's path and so on
     * @param string|null $old in words; null: there was none
     * @param string|null $new in words; null: there is none. Both null: it differs in more than a few words could say
     */
    public function __construct(
        public DifferenceSort $sort,
        public ?string $where,
        public string $what,
        public ?string $old = null,
        public ?string $new = null,
    ) {
    }

    /** @return array{sort: string, where: string|null, what: string, old: string|null, new: string|null} */
    public function toData(): array
    {
        return ['sort' => $this->sort->value, 'where' => $this->where, 'what' => $this->what, 'old' => $this->old, 'new' => $this->new];
    }
}
