<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Answers;

use Zetema\Core\Data\AuthorText;
use Zetema\Core\Data\Fields;
use Zetema\Core\Question\InvalidQuestion;
use Zetema\Core\Question\Line;
use Zetema\Core\Question\Points;
use Zetema\Core\Question\Problems;
use Zetema\Core\Question\Scoring\Criterion;
use Zetema\Core\Question\Scoring\Sought\PartTakes;
use Zetema\Core\Question\Settings\EffectiveSettings;
use Zetema\Core\Question\Settings\InvalidSetting;
use Zetema\Core\Question\Settings\Marking;
use Zetema\Core\Question\Settings\Setting;

/** An item, label, left-hand side or gap: its text, and what it earns and loses under "weighed". */
final readonly class Part
{
    public string $text;

    /**
     * @param int $id stable while the question is edited
     * @param Points|null $loses written as a positive number
     * @param list<string> $belongs what it belongs to: the ids of spots, the id of a group; empty: a spare
     * @param string|null $with the right-hand side of a pair
     */
    public function __construct(
        public int $id,
        string $text,
        public array $belongs = [],
        public ?string $with = null,
        public ?Points $earns = null,
        public ?Points $loses = null,
    ) {
        $this->text = AuthorText::tidy($text);
    }

    public function isSpare(): bool
    {
        return $this->belongs === [];
    }

    public static function fromData(Fields $data): self
    {
        $points = static fn (?string $value): ?Points => $value === null ? null : Points::of($value);

        return new self(
            $data->integer('id'),
            $data->text('text'),
            $data->texts('belongs', optional: true),
            $data->optionalText('with'),
            $points($data->optionalText('earns')),
            $points($data->optionalText('loses')),
        );
    }

    /** @return array<string, mixed> */
    public function toData(): array
    {
        return array_filter(
            [
                'id' => $this->id,
                'text' => $this->text,
                'belongs' => $this->belongs,
                'with' => $this->with,
                'earns' => $this->earns === null ? null : (string) $this->earns,
                'loses' => $this->loses === null ? null : (string) $this->loses,
            ],
            static fn (mixed $value): bool => $value !== null && $value !== [],
        );
    }

    /** Points on an `earns:` or `loses:` line below. */
    public static function pointsBelow(Line $line, string $word, Problems $problems): ?Points
    {
        $lines = $line->children($word);
        if (count($lines) > 1) {
            $problems->at($lines[1], sprintf('`%s:` stands here twice', $word));
        }
        try {
            $points = isset($lines[0]) ? Points::of($lines[0]->text) : null;
            if ($points?->isNegative() === true) {
                throw new InvalidSetting(sprintf('what stands after `%s:` is 0 or above', $word));
            }

            return $points;
        } catch (InvalidSetting $e) {
            $problems->inText($lines[0], $e->getMessage());

            return null;
        }
    }

    /** @return list<Line> */
    public function pointLines(): array
    {
        return [
            ...$this->earns === null ? [] : [Line::written('earns', (string) $this->earns)],
            ...$this->loses === null ? [] : [Line::written('loses', (string) $this->loses)],
        ];
    }

    /**
     * Groups of two or more with the same text: they are interchangeable.
     *
     * @param list<self> $parts
     *
     * @return list<list<int>>
     */
    public static function same(array $parts): array
    {
        $byText = [];
        foreach ($parts as $part) {
            $byText[$part->text][] = $part->id;
        }

        return array_values(array_filter($byText, static fn (array $ids): bool => count($ids) > 1));
    }

    /**
     * Criteria of a part that takes some values: right with one of them, wrong with any other.
     *
     * @param list<string> $takes
     *
     * @return list<Criterion>
     */
    public function criteria(array $takes, bool $weighed): array
    {
        $other = new PartTakes($this->id, null);
        $right = new PartTakes($this->id, $takes);
        if ($weighed) {
            $lost = Criterion::weighing($other, ($this->loses ?? Points::zero())->negated());

            return $takes === [] ? [$lost] : [Criterion::weighing($right, $this->earns ?? Points::zero()), $lost];
        }

        return $takes === [] ? [Criterion::wrong($other)] : [Criterion::right($right), Criterion::wrong($other)];
    }

    /**
     * Under "weighed" each part that belongs somewhere says what it earns.
     *
     * @param list<self> $parts
     *
     * @throws InvalidQuestion
     */
    public static function verifyPoints(array $parts, EffectiveSettings $settings, string $word): void
    {
        $weighed = $settings->marking() === Marking::Weighed;
        $sum = Points::zero();
        foreach ($parts as $part) {
            if ($part->text === '') {
                throw new InvalidQuestion(sprintf('a `%s:` line has no text', $word), $word);
            }
            if (!$weighed && ($part->earns !== null || $part->loses !== null)) {
                throw new InvalidQuestion('`earns:` and `loses:` only go with “marking: weighed”', 'marking');
            }
            if ($weighed && !$part->isSpare() && $part->earns === null) {
                throw new InvalidQuestion(
                    sprintf('under “weighed” each part says what it earns; “%s” does not', AuthorText::excerpt($part->text, 30)),
                    $word,
                );
            }
            foreach ([$part->earns, $part->loses] as $points) {
                if ($points !== null && $points->decimals() > $settings->integer(Setting::Decimals)) {
                    throw new InvalidQuestion(sprintf('%s has more decimals than marks are rounded to', $points), $word);
                }
            }
            $sum = $part->isSpare() ? $sum : $sum->plus($part->earns ?? Points::zero());
        }
        if ($weighed && $sum->isZero()) {
            throw new InvalidQuestion('no response earns more than 0', $word);
        }
    }

    /**
     * @param list<self> $parts
     * @param list<int> $ids
     *
     * @return list<string>
     */
    public static function textsInOrder(array $parts, array $ids): array
    {
        $texts = [];
        foreach ($parts as $part) {
            $texts[$part->id] = $part->text;
        }

        return array_values(array_filter(array_map(static fn (int $id): ?string => $texts[$id] ?? null, $ids), is_string(...)));
    }

    /** @param list<self> $parts */
    public static function worth(array $parts): Points
    {
        return array_reduce(
            $parts,
            static fn (Points $sum, self $part): Points => $part->isSpare() ? $sum : $sum->plus($part->earns ?? Points::zero()),
            Points::zero(),
        );
    }
}
