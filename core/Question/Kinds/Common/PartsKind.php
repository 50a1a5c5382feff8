<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Kinds\Common;

use Zetema\Core\Data\Malformed;
use Zetema\Core\Numbers\Ratio;
use Zetema\Core\Question\Answers\AnswerLine;
use Zetema\Core\Question\Answers\Part;
use Zetema\Core\Question\Kind;
use Zetema\Core\Question\Response\Response;
use Zetema\Core\Question\Scoring\Scoring;
use Zetema\Core\Question\Settings\EffectiveSettings;
use Zetema\Core\Question\Settings\Setting;

/** What the kinds have in common whose response gives something to each part: pairs, groups, place. */
abstract readonly class PartsKind implements Kind
{
    /** The field of its responses. */
    abstract protected static function field(): string;

    /** @return list<Part> spares last */
    abstract protected function parts(): array;

    /** @return list<string> what a part may be given */
    abstract protected function targets(): array;

    /** @return list<string> the targets that are right for a part */
    abstract protected function takes(Part $part): array;

    /** @return list<list<int>> parts that are interchangeable */
    abstract protected function same(): array;

    /** Whether each target is used once. */
    abstract protected static function once(): bool;

    public static function rules(): array
    {
        return ['whole', 'parts', 'weighed'];
    }

    public static function ownSettings(): array
    {
        return [Setting::Shuffle, Setting::Layout, Setting::WrongPartCosts];
    }

    public function says(Response $response, array $found): array
    {
        return [];
    }

    /** Items and labels are mixed, since they are written with what they belong to. */
    public function shuffledLists(): array
    {
        return [array_map(static fn (Part $p): int => $p->id, $this->parts())];
    }

    /** The target of a part in words. */
    abstract protected function targetInWords(string $target): string;

    public function inWords(Response $response, bool $withKey = false): array
    {
        $lines = [];
        foreach ($this->parts() as $part) {
            if (isset($response->map[$part->id])) {
                $lines[] = new AnswerLine($part->text . ' – ' . $this->targetInWords($response->map[$part->id]));
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
        $fields = ResponseReader::field($given, static::field());
        if ($fields === null) {
            return Response::blank();
        }
        $map = ResponseReader::map($fields, static::field(), array_map(static fn (Part $p): int => $p->id, $this->parts()));
        $targets = $this->targets();
        foreach ($map as $part => $target) {
            if (!in_array($target, $targets, true)) {
                throw new Malformed(static::field(), sprintf('part %d is given “%s”, which is not there', $part, mb_substr($target, 0, 40)));
            }
        }
        if (static::once() && count(array_unique($map)) !== count($map)) {
            throw new Malformed(static::field(), 'uses something twice');
        }

        return Response::mapping(static::field(), $map);
    }

    public function scoring(EffectiveSettings $settings): Scoring
    {
        $weighed = $settings->get(Setting::Marking) === 'weighed';
        $criteria = array_merge(...array_map(fn (Part $part): array => $part->criteria($this->takes($part), $weighed), $this->parts()));
        $belonging = array_filter($this->parts(), static fn (Part $part): bool => !$part->isSpare());

        return new Scoring(
            Scoring::LOOK_PARTS,
            $criteria,
            self::rule($settings),
            Ratio::of(max(1, count($belonging))),
            $settings->wrongPartCosts('0'),
            $weighed ? Part::worth($this->parts()) : $settings->points(Setting::Points),
            ['same' => $this->same()],
        );
    }

    public static function rule(EffectiveSettings $settings): string
    {
        return match ($settings->get(Setting::Marking)) {
            'weighed' => Scoring::WEIGHTS,
            'whole', null => Scoring::WHOLE,
            default => Scoring::SHARE,
        };
    }
}
