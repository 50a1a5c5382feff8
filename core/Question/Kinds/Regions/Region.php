<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Kinds\Regions;

use Zetema\Core\Data\Fields;
use Zetema\Core\Question\Answers\Area;
use Zetema\Core\Question\Line;
use Zetema\Core\Question\Points;

/** An area of a regions question: right or known to be wrong, with its name, its points when weighed, and what it says. */
final readonly class Region
{
    /** @param int|null $id stable while the question is edited; null: its place */
    public function __construct(
        public Area $area,
        public bool $isKey,
        public ?string $name,
        public ?Points $weight,
        public ?string $says,
        public ?int $id = null,
    ) {
    }

    public static function fromData(Fields $data): self
    {
        $weight = $data->optionalText('weight');

        return new self(
            Area::fromData($data),
            $data->flag('key'),
            $data->optionalText('name'),
            $weight === null ? null : Points::of($weight),
            $data->optionalText('says'),
            $data->optionalInteger('id'),
        );
    }

    /** @return array<string, mixed> */
    public function toData(): array
    {
        return array_filter(
            [
                'id' => $this->id,
                'area' => $this->area->inWords(),
                'key' => $this->isKey,
                'name' => $this->name,
                'weight' => $this->weight === null ? null : (string) $this->weight,
                'says' => $this->says,
            ],
            static fn (mixed $value): bool => $value !== null,
        );
    }

    public function toLine(): Line
    {
        return Line::written(
            'area ' . ($this->isKey ? 'yes' : 'no') . ($this->weight === null ? '' : ' ' . $this->weight),
            $this->area->inWords(),
            [
                ...$this->name === null ? [] : [Line::written('name', $this->name)],
                ...$this->says === null ? [] : [Line::written('says', $this->says)],
            ],
        );
    }

    /** Its name, or where it lies. */
    public function inWords(): string
    {
        return $this->name ?? $this->area->inWords();
    }

    /**
     * The positive weights among as many as may be clicked.
     *
     * @param list<self> $regions
     */
    public static function highestSum(array $regions, ?int $most): Points
    {
        $weights = array_map(static fn (self $region): Points => $region->weight ?? Points::zero(), $regions);
        usort($weights, static fn (Points $a, Points $b): int => $b->compare($a));
        $best = array_filter(array_slice($weights, 0, $most), static fn (Points $weight): bool => !$weight->isNegative());

        return array_reduce($best, static fn (Points $sum, Points $weight): Points => $sum->plus($weight), Points::zero());
    }

    /** @return array{area: string, name: string|null} where it lies, to be drawn */
    public function told(): array
    {
        return ['area' => $this->area->inWords(), 'name' => $this->name];
    }
}
