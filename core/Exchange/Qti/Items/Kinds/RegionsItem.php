<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Qti\Items\Kinds;

use Zetema\Core\Exchange\Qti\Items\PictureRef;
use Zetema\Core\Exchange\Qti\Marks\Marking;
use Zetema\Core\Exchange\Qti\Marks\Subsets;
use Zetema\Core\Exchange\Qti\Marks\Tried;
use Zetema\Core\Exchange\Qti\Variables\ResponseDeclaration;
use Zetema\Core\Exchange\Written\QuestionLines;
use Zetema\Core\Numbers\Ratio;
use Zetema\Core\Question\Answers\Area;

/** Areas of a picture that are clicked: any point, or outlined areas that are chosen. */
final class RegionsItem extends SetItem
{
    /** @var list<Tried>|null */
    private ?array $tries = null;
    /** @var array<int, array{int, int}> a pixel of each area that lies in no other; 0: in none */
    private array $pixels;

    /**
     * @param list<array{area: Area, identifier: string|null, name: string|null, declared: bool}> $areas identifier null: clicks are points
     * @param int $most clicks that are allowed; PHP_INT_MAX: any number
     * @param array<string, string> $settings clicks, areas
     * @param list<Ratio> $worths what a mapping says each is worth; none without one
     */
    public function __construct(
        private readonly string $stem,
        private readonly array $areas,
        int $most,
        private readonly ResponseDeclaration $declaration,
        private readonly PictureRef $picture,
        private readonly array $settings,
        private readonly int $line,
        private readonly ?Ratio $lower = null,
        private readonly array $worths = [],
    ) {
        parent::__construct($most);
        $this->pixels = self::pixelsOf(array_column($areas, 'area'), $picture->size ?? [99_999, 99_999]);
    }

    /**
     * @param list<Area> $areas
     * @param array{int, int} $size
     *
     * @return array<int, array{int, int}>
     */
    private static function pixelsOf(array $areas, array $size): array
    {
        $pixels = [];
        $in = static fn (int $x, int $y): array => array_keys(array_filter($areas, static fn (Area $a): bool => $a->contains($x, $y)));
        foreach ($areas as $i => $area) {
            $pixels[$i + 1] = $area->somePoint();
            [$left, $top, $right, $bottom] = $area->box();
            // Where areas overlap, a pixel of this one alone tells more.
            for ($n = 0; $n < 400 && $in(...$pixels[$i + 1]) !== [$i]; ++$n) {
                $at = [$left + intdiv(($n % 20) * ($right - $left), 19), $top + intdiv(intdiv($n, 20) * ($bottom - $top), 19)];
                $pixels[$i + 1] = $in(...$at) === [$i] && $at[0] < $size[0] && $at[1] < $size[1] ? $at : $pixels[$i + 1];
            }
        }
        for ($n = 0; $n < 900; ++$n) {
            $at = [intdiv(($n % 30) * max(0, $size[0] - 1), 29), intdiv(intdiv($n, 30) * max(0, $size[1] - 1), 29)];
            if ($in(...$at) === []) {
                return [0 => $at] + $pixels;
            }
        }

        return $pixels;
    }

    public function tries(): array
    {
        if ($this->tries !== null) {
            return $this->tries;
        }
        $count = count($this->areas);
        $this->sets = [[], ...Subsets::of($count, 1, min($this->most, $count), $this->declared())];
        if (isset($this->pixels[0]) && ($this->areas[0]['identifier'] ?? null) === null) {
            foreach ([[], ...array_map(static fn (int $i): array => [$i], range(1, max(1, $count))), range(1, max(1, $count))] as $set) {
                if (count($set) < $this->most) {
                    $this->sets[] = [...$set, 0];
                }
            }
        }

        return $this->tries = array_map($this->tried(...), $this->sets);
    }

    /** @param list<int> $set */
    private function tried(array $set): Tried
    {
        $points = array_map(fn (int $i): array => $this->pixels[$i], $set);
        $tokens = array_map(fn (int $i): string => $this->areas[$i - 1]['identifier'] ?? implode(' ', $this->pixels[$i]), $set);

        return new Tried(
            [$this->declaration->identifier => $this->declaration->value($tokens)],
            $set === [] ? null : ['points' => $points],
            $set,
        );
    }

    /** @return list<int> */
    private function declared(): array
    {
        return array_map(
            static fn (int $i): int => $i + 1,
            array_keys(array_filter($this->areas, static fn (array $a): bool => $a['declared'])),
        );
    }

    public function settle(array $marks): void
    {
        $this->keys = $this->declared();
        $worth = $this->worths;
        foreach ($this->sets as $i => $set) {
            if (count($set) === 1 && $set[0] > 0 && $this->worths === []) {
                $worth[$set[0] - 1] = $marks[$i];
            }
        }
        $scoring = array_map(
            static fn (int $i): int => $i + 1,
            array_keys(array_filter($worth, static fn (Ratio $w): bool => $w->isPositive())),
        );
        if ($scoring !== []) {
            sort($scoring);
            $this->keys = $scoring;
        }
    }

    public function rules(): array
    {
        return ['whole', 'parts', 'weighed'];
    }

    public function weighed(array $marks): array
    {
        $alone = [];
        foreach ($this->sets as $i => $set) {
            if (count($set) === 1 && $set[0] > 0) {
                $alone[$set[0] - 1] = $marks[$i];
            }
        }
        ksort($alone);
        $weights = $this->worths === [] ? array_values($alone) : $this->worths;
        if (count($weights) < count($this->areas)) {
            return [];
        }
        $floor =
            $this->lower !== null && !$this->lower->isPositive()
                ? [new Marking('weighed', settings: ['floor' => Marking::decimal($this->lower)], weights: $weights)]
                : [];

        return [new Marking('weighed', weights: $weights), ...$floor];
    }

    public function lines(Marking $marking, array $says = []): QuestionLines
    {
        $lines = new QuestionLines('regions', $this->stem, $this->line);
        $this->picture->addTo($lines);
        foreach ($this->areas as $i => $area) {
            $isKey = $marking->rule !== 'none' && in_array($i + 1, $this->keys, true);
            $lines->add(
                'area ' . ($isKey ? 'yes' : 'no') . ($marking->isWeighed() ? ' ' . Marking::decimal($marking->weights[$i]) : ''),
                $area['area']->inWords(),
                [
                    ...$area['name'] === null ? [] : [$lines->line('name', $area['name'])],
                    ...isset($says[$i + 1]) ? [$lines->line('says', $says[$i + 1])] : [],
                ],
            );
        }
        foreach ($this->settings as $word => $value) {
            $lines->add($word, $value);
        }

        return $lines;
    }
}
