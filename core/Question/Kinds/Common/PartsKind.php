<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Kinds\Common;

use Zetema\Core\Data\Malformed;
use Zetema\Core\Numbers\Ratio;
use Zetema\Core\Question\Answers\AnswerLine;
use Zetema\Core\Question\Answers\Part;
use Zetema\Core\Question\Kinds\Kind;
use Zetema\Core\Question\Response\FilledParts;
use Zetema\Core\Question\Response\Response;
use Zetema\Core\Question\Response\Space\Injections;
use Zetema\Core\Question\Response\Space\Maps;
use Zetema\Core\Question\Scoring\Look;
use Zetema\Core\Question\Scoring\Scoring;
use Zetema\Core\Question\Scoring\ShareRule;
use Zetema\Core\Question\Settings\EffectiveSettings;
use Zetema\Core\Question\Settings\Marking;
use Zetema\Core\Question\Settings\Setting;

/** What the kinds have in common whose response gives something to each part: pairs, groups, place. */
abstract readonly class PartsKind implements Kind
{
    /** @return list<Part> spares last */
    abstract protected function parts(): array;

    /** @return list<string> what a part may be given */
    abstract protected function targets(): array;

    /** @return list<string> the targets that are right for a part */
    abstract protected function takes(Part $part): array;

    /** @return list<list<int>> parts that are interchangeable */
    abstract protected function same(): array;

    abstract public function space(EffectiveSettings $settings): Maps;

    public function says(Response $response, array $found): array
    {
        return [];
    }

    /** Items and labels are mixed, since they are written with what they belong to. */
    public function shuffledLists(): array
    {
        return [$this->lineIds()];
    }

    public function lineIds(): array
    {
        return array_map(static fn (Part $p): int => $p->id, $this->parts());
    }

    public function saysAnything(): bool
    {
        return false;
    }

    public function keyTexts(): array
    {
        return [];
    }

    /** The target of a part in words. */
    abstract protected function targetInWords(string $target): string;

    public function inWords(Response $response, bool $withKey = false): array
    {
        $lines = [];
        foreach ($this->parts() as $part) {
            $target = FilledParts::in($response)[$part->id] ?? null;
            if ($target !== null) {
                $lines[] = new AnswerLine($part->text . ' – ' . $this->targetInWords($target));
            }
        }

        return $lines;
    }

    public function choices(): array
    {
        return [];
    }

    public function response(mixed $given, EffectiveSettings $settings, bool $complete = true): Response
    {
        $fields = ResponseReader::field($given, static::id()->facts()->field);
        if ($fields === null) {
            return Response::blank();
        }
        $map = ResponseReader::map($fields, static::id()->facts()->field, $this->lineIds());
        $targets = $this->targets();
        foreach ($map as $part => $target) {
            if (!in_array($target, $targets, true)) {
                throw new Malformed(
                    static::id()->facts()->field,
                    sprintf('part %d is given “%s”, which is not there', $part, mb_substr($target, 0, 40)),
                );
            }
        }
        if ($this->space($settings) instanceof Injections && count(array_unique($map)) !== count($map)) {
            throw new Malformed(static::id()->facts()->field, 'uses something twice');
        }

        return Response::mapping(static::id()->facts()->field, $map);
    }

    public function notYet(Response $response, EffectiveSettings $settings): ?string
    {
        return null;
    }

    public function isListable(): bool
    {
        return true;
    }

    /** Each part alone with each value; all right; one left out; all shifted by one. */
    public function telling(EffectiveSettings $settings): iterable
    {
        $space = $this->space($settings);
        foreach ($space->values as $part => $values) {
            foreach ($values as $value) {
                yield Response::mapping($space->field, [$part => $value]);
            }
        }
        $right = [];
        foreach ($this->parts() as $part) {
            $takes = $this->takes($part);
            $free = $space instanceof Injections ? array_values(array_diff($takes, $right)) : $takes;
            if (isset($free[0])) {
                $right[$part->id] = $free[0];
            }
        }
        yield Response::mapping($space->field, $right);
        foreach (array_keys($right) as $part) {
            yield Response::mapping($space->field, array_diff_key($right, [$part => true]));
        }
        $values = array_values($right);
        $shifted = [...array_slice($values, 1), ...array_slice($values, 0, 1)];
        yield Response::mapping($space->field, array_combine(array_keys($right), $shifted));
    }

    public function scoring(EffectiveSettings $settings): Scoring
    {
        $weighed = $settings->marking() === Marking::Weighed;
        $criteria = array_merge(...array_map(fn (Part $part): array => $part->criteria($this->takes($part), $weighed), $this->parts()));
        $belonging = array_filter($this->parts(), static fn (Part $part): bool => !$part->isSpare());

        return new Scoring(
            Look::Parts,
            $criteria,
            self::rule($settings),
            Ratio::of(max(1, count($belonging))),
            $settings->wrongPartCosts(),
            $weighed ? Part::worth($this->parts()) : $settings->points(Setting::Points),
            ['same' => $this->same()],
        );
    }

    public static function rule(EffectiveSettings $settings): ShareRule
    {
        return match ($settings->marking()) {
            Marking::Weighed => ShareRule::Weights,
            Marking::Whole => ShareRule::Whole,
            Marking::Parts, Marking::PartsByPlace, Marking::PartsByNeighbour, Marking::Each => ShareRule::Share,
        };
    }
}
