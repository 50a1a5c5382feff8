<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Qti\Writing;

use Zetema\Core\Exchange\TextFormat\Page;

/** An assessment as the standard can say it: sections of items, how one moves, what passes. */
final readonly class WrittenTest
{
    /**
     * @param list<WrittenSection> $sections
     * @param bool|null $isForward whether one only moves forward; null: it is not said
     * @param bool $tellsAtOnce whether each response is told about by itself
     * @param array{string, bool}|null $pass the mark, and whether it is in percent
     * @param int|null $seconds for the whole
     * @param array<string, Page> $closing by "passed" and "notPassed"
     */
    public function __construct(
        public string $title,
        public array $sections,
        public ?bool $isForward = null,
        public bool $tellsAtOnce = true,
        public ?array $pass = null,
        public ?int $seconds = null,
        public bool $mayLeaveBlank = true,
        public array $closing = [],
    ) {
    }

    /** @return list<WrittenSection> all that hold items, in their order */
    public function leaves(): array
    {
        return array_merge(...array_map(static fn (WrittenSection $s): array => $s->leaves(), $this->sections));
    }

    /** Whether any item is worth more or less in it than by itself. */
    public function weighs(): bool
    {
        return array_filter(
            array_merge(...array_map(static fn (WrittenSection $s): array => array_column($s->items, 'weight'), $this->leaves())),
            is_string(...),
        ) !== [];
    }
}
