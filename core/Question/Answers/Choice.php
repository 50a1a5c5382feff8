<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Answers;

use Zetema\Core\Data\AuthorText;
use Zetema\Core\Data\Fields;
use Zetema\Core\Question\Line;
use Zetema\Core\Question\Points;
use Zetema\Core\Question\Problems;

/** One answer to choose: key or distractor, with what it earns when weighed and what it says. */
final readonly class Choice
{
    public string $text;
    public ?string $says;
    public ?string $leadsTo;

    /**
     * @param int $id stable while the question is edited
     * @param Points|null $weight what it earns under "weighed"
     * @param bool $pinned stays in its place when choices are shuffled
     * @param array<string, int> $tallies what it adds to named counts
     * @param string|null $leadsTo name of a page
     */
    public function __construct(
        public int $id,
        string $text,
        public bool $isKey,
        public ?Points $weight = null,
        public bool $pinned = false,
        ?string $says = null,
        public array $tallies = [],
        ?string $leadsTo = null,
    ) {
        $this->text = AuthorText::tidy($text);
        $this->leadsTo = $leadsTo === '' ? null : $leadsTo;
        $says = AuthorText::tidy($says ?? '');
        $this->says = $says === '' ? null : $says;
    }

    public static function fromData(Fields $data): self
    {
        $weight = $data->optionalText('weight');

        return new self(
            $data->integer('id'),
            $data->text('text'),
            $data->flag('key'),
            $weight === null ? null : Points::of($weight),
            $data->flag('pinned', false),
            $data->optionalText('says'),
            $data->integerMap('tallies'),
            $data->optionalText('leadsTo'),
        );
    }

    /** @return array<string, mixed> */
    public function toData(): array
    {
        $data = ['id' => $this->id, 'text' => $this->text, 'key' => $this->isKey];
        if ($this->weight !== null) {
            $data['weight'] = (string) $this->weight;
        }
        if ($this->pinned) {
            $data['pinned'] = true;
        }
        if ($this->says !== null) {
            $data['says'] = $this->says;
        }
        if ($this->tallies !== []) {
            $data['tallies'] = $this->tallies;
        }
        if ($this->leadsTo !== null) {
            $data['leadsTo'] = $this->leadsTo;
        }

        return $data;
    }

    public static function read(Line $line, int $id, Problems $problems): self
    {
        $tallies = [];
        foreach ($line->children('tally') as $tally) {
            if (preg_match('/^(.+?) ?([+\-−]\d{1,4})$/u', $tally->text, $m) === 1) {
                $tallies[$m[1]] = (int) str_replace('−', '-', $m[2]);
            } else {
                $problems->at($tally, 'a tally is written like “patience +2”');
            }
        }

        return new self(
            $id,
            $line->text,
            $line->word === 'yes',
            $line->number(),
            $line->has('pinned'),
            $line->child('says')?->text,
            $tallies,
            $line->child('leads to')?->text,
        );
    }

    public function toLine(): Line
    {
        $children = [];
        if ($this->says !== null) {
            $children[] = Line::written('says', $this->says);
        }
        foreach ($this->tallies as $name => $adds) {
            $children[] = Line::written('tally', sprintf('%s %+d', $name, $adds));
        }
        if ($this->leadsTo !== null) {
            $children[] = Line::written('leads to', $this->leadsTo);
        }
        $head = ($this->pinned ? 'pinned ' : '') . ($this->isKey ? 'yes' : 'no') . ($this->weight === null ? '' : ' ' . $this->weight);

        return Line::written($head, $this->text, $children);
    }

    /**
     * The greatest sum of weights that a permitted response can reach.
     *
     * @param list<self> $choices
     * @param array{least: int, most: int|null} $limits how many may be made
     */
    public static function highestSum(array $choices, array $limits): Points
    {
        $weights = array_map(static fn (self $choice): Points => $choice->weight ?? Points::zero(), $choices);
        usort($weights, static fn (Points $a, Points $b): int => $b->compare($a));
        $sum = Points::zero();
        foreach (array_slice($weights, 0, $limits['most'] ?? count($weights)) as $i => $weight) {
            $sum = $i < $limits['least'] || !$weight->isNegative() ? $sum->plus($weight) : $sum;
        }

        return $sum;
    }
}
