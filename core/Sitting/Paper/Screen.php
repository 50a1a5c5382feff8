<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\Paper;

/** What a candidate has before them at once. */
final readonly class Screen
{
    /**
     * @param non-empty-list<PagePlace|QuestionPlace> $places
     * @param int $stretch the number of what it can be moved in freely with; in forward order each screen is one
     */
    public function __construct(
        public array $places,
        public int $section,
        public bool $isAnyOrder,
        public bool $isShared,
        public int $stretch,
    ) {
    }

    /** By its first step. */
    public function id(): string
    {
        return $this->places[0]->id;
    }

    /** @return list<QuestionPlace> */
    public function questions(): array
    {
        return array_values(array_filter($this->places, static fn (Place $place): bool => $place instanceof QuestionPlace));
    }
}
