<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Kinds\Gaps;

use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Numbers\Ratio;
use Zetema\Core\Question\Answers\AnswerLine;
use Zetema\Core\Question\Answers\Part;
use Zetema\Core\Question\Answers\Wording;
use Zetema\Core\Question\Kinds\Common\CriterionFeedback;
use Zetema\Core\Question\Kinds\Common\PartsKind;
use Zetema\Core\Question\Kinds\Common\ResponseReader;
use Zetema\Core\Question\Kinds\Common\TypedKind;
use Zetema\Core\Question\Kinds\Kind;
use Zetema\Core\Question\Kinds\KindFacts;
use Zetema\Core\Question\Kinds\KindId;
use Zetema\Core\Question\Kinds\LineWord;
use Zetema\Core\Question\Kinds\ListOrder;
use Zetema\Core\Question\Line;
use Zetema\Core\Question\Points;
use Zetema\Core\Question\Problems;
use Zetema\Core\Question\Response\FilledParts;
use Zetema\Core\Question\Response\Response;
use Zetema\Core\Question\Response\ResponseForm;
use Zetema\Core\Question\Response\ResponseSpace;
use Zetema\Core\Question\Response\Space\IndependentParts;
use Zetema\Core\Question\Response\Space\TypedFreely;
use Zetema\Core\Question\Scoring\Criterion;
use Zetema\Core\Question\Scoring\Look;
use Zetema\Core\Question\Scoring\Scoring;
use Zetema\Core\Question\Scoring\Sought\Wording as Sought;
use Zetema\Core\Question\Settings\EffectiveSettings;
use Zetema\Core\Question\Settings\Marking;
use Zetema\Core\Question\Settings\Setting;
use Zetema\Core\Question\Settings\Settings;
use Zetema\Core\Question\Texts\TextSort;

/** Gap fill: each `___` of the stem is typed or picked from a list. */
final readonly class Gaps implements Kind
{
    /** @param list<Gap> $gaps in the order of the stem */
    public function __construct(public array $gaps)
    {
    }

    public static function id(): KindId
    {
        return KindId::Gaps;
    }

    public static function facts(): KindFacts
    {
        return new KindFacts(
            names: ['gaps', 'gap fill'],
            opening: ['gaps'],
            words: [
                LineWord::short('gap')->with('gap (?<n>[1-9]\d?)(?: (?<which>yes|no)| (?<share>\d+(?:\.\d+)?) ?%)?', 'gap 1'),
                LineWord::textBelow('says'),
                LineWord::below('earns'),
                LineWord::below('loses'),
            ],
            line: 'gap',
            how: 'Fill in what is missing.',
            form: ResponseForm::EntryOfOwnList,
            field: 'gaps',
            lists: ['gaps'],
            texts: [
                'gaps.*.wordings.*.text' => TextSort::Wording,
                'gaps.*.wordings.*.says' => TextSort::Feedback,
                'gaps.*.listed.*.text' => TextSort::Choice,
            ],
            empty: ['gaps' => []],
            template: "gaps: {A sentence with a} ___ {and another} ___.\n  marking: parts\n  gap 1: {what is typed}\n  gap 2 yes: {what is picked}\n  gap 2 no: {another}\n",
            listOrder: ListOrder::Shuffled,
            rules: ['whole', 'parts', 'weighed'],
            settings: [Setting::Ignore, Setting::Typos, Setting::WrongPartCosts],
            defaults: [Setting::WrongPartCosts->value => '0'],
            stemHint: 'A sentence with gaps; mark a word and press Ctrl G',
        );
    }

    public static function read(Line $opening, array $parts, Settings $own, Problems $problems): self
    {
        $byNumber = [];
        foreach ($parts as $part) {
            $byNumber[(int) $part->argument('n')][] = $part;
        }
        ksort($byNumber);
        $gaps = [];
        foreach ($byNumber as $n => $lines) {
            if ($n !== count($gaps) + 1) {
                $problems->at(
                    $lines[0],
                    sprintf('gap %d comes after gap %d; number the gaps from 1 without leaving one out', $n, count($gaps)),
                );
            }
            $gaps[] = Gap::read($n, $lines, $problems);
        }

        return new self($gaps);
    }

    public static function fromData(Fields $data): self
    {
        return new self(array_map(Gap::fromData(...), $data->objects('gaps')));
    }

    public function toData(): array
    {
        return ['gaps' => array_map(static fn (Gap $g): array => $g->toData(), $this->gaps)];
    }

    public function toLines(string $stem): array
    {
        return [
            Line::written('gaps', $stem),
            ...array_merge(...array_map(static fn (Gap $g, int $i): array => $g->toLines($i + 1), $this->gaps, array_keys($this->gaps))),
        ];
    }

    public function verify(EffectiveSettings $settings, string $stem): void
    {
        GapsCheck::verify($this, $settings, $stem);
    }

    public function response(mixed $given, EffectiveSettings $settings, bool $complete = true): Response
    {
        $fields = ResponseReader::field($given, 'gaps');
        if ($fields === null) {
            return Response::blank();
        }
        $map = ResponseReader::map($fields, 'gaps', $this->lineIds());
        foreach ($this->gaps as $i => $gap) {
            $value = $map[$gap->part->id] ?? null;
            if ($value === null) {
                continue;
            }
            if (mb_strlen($value) > TypedKind::LONGEST || !mb_check_encoding($value, 'UTF-8')) {
                throw new Malformed('gaps', sprintf('gap %d is too long or not UTF-8', $i + 1));
            }
            if (
                (!$gap->isTyped() && preg_match('/^[1-9]\d{0,2}$/', $value) !== 1) ||
                (!$gap->isTyped() && !isset($gap->listed[(int) $value - 1]))
            ) {
                throw new Malformed('gaps', sprintf('gap %d is given “%s”, which is not in its list', $i + 1, mb_substr($value, 0, 40)));
            }
        }

        return Response::mapping('gaps', $map);
    }

    public function scoring(EffectiveSettings $settings): Scoring
    {
        $weighed = $settings->marking() === Marking::Weighed;
        $criteria = [];
        foreach ($this->gaps as $gap) {
            if (!$gap->isTyped()) {
                array_push($criteria, ...$gap->part->criteria($gap->keys(), $weighed));
                continue;
            }
            foreach ($gap->wordings as $i => $wording) {
                $find = new Sought($i + 1, $wording->text, $gap->part->id);
                $criteria[] = $weighed
                    ? Criterion::weighing($find, $gap->part->earns ?? Points::zero())
                    : Criterion::right($find, $wording->share->exact());
            }
            array_push($criteria, ...$gap->part->criteria([], $weighed));
        }

        return new Scoring(
            Look::Parts,
            $criteria,
            PartsKind::rule($settings),
            Ratio::of(count($this->gaps)),
            $settings->wrongPartCosts(),
            $weighed ? Part::worth(array_map(static fn (Gap $g): Part => $g->part, $this->gaps)) : $settings->points(Setting::Points),
            ['ignore' => $settings->entries(Setting::Ignore), 'typos' => $settings->integer(Setting::Typos), 'same' => []],
        );
    }

    public function space(EffectiveSettings $settings): ResponseSpace
    {
        $values = [];
        foreach ($this->gaps as $gap) {
            $values[$gap->part->id] = $gap->isTyped()
                ? ['']
                : array_map(static fn (int $n): string => (string) $n, range(1, count($gap->listed)));
        }

        return array_filter($this->gaps, static fn (Gap $g): bool => !$g->isTyped()) === []
            ? new TypedFreely()
            : new IndependentParts('gaps', $values);
    }

    public function notYet(Response $response, EffectiveSettings $settings): ?string
    {
        return null;
    }

    public function isListable(): bool
    {
        return array_filter($this->gaps, static fn (Gap $g): bool => $g->isTyped()) === [];
    }

    /** Each wording and entry alone, all right, all right but one, all wrong. */
    public function telling(EffectiveSettings $settings): iterable
    {
        $right = $wrong = [];
        foreach ($this->gaps as $gap) {
            $id = $gap->part->id;
            $given = $gap->isTyped()
                ? array_map(static fn (Wording $w): string => $w->text, $gap->wordings)
                : array_map(static fn (int $n): string => (string) $n, range(1, count($gap->listed)));
            $right[$id] = $gap->isTyped() ? $given[0] : $gap->keys()[0];
            $wrong[$id] = $gap->isTyped() ? 'something else' : array_values(array_diff($given, $gap->keys()))[0] ?? '';
            foreach ($given as $value) {
                yield Response::mapping('gaps', [$id => $value]);
            }
        }
        yield Response::mapping('gaps', $right);
        foreach (array_keys($right) as $id) {
            yield Response::mapping('gaps', array_replace($right, [$id => $wrong[$id]]));
        }
        yield Response::mapping('gaps', $wrong);
    }

    public function says(Response $response, array $found): array
    {
        return CriterionFeedback::by(
            $found,
            fn (int $n, int $part): ?string => $this->gaps[array_search($part, $this->lineIds(), true)]->wordings[$n - 1]->says ?? null,
        );
    }

    public function shuffledLists(): array
    {
        return array_map(static fn (Gap $g): array => $g->isTyped() ? [] : range(1, count($g->listed)), $this->gaps);
    }

    public function shownToCandidate(array $order, EffectiveSettings $settings, bool $checked = false): array
    {
        return [
            'gaps' => array_map(
                static fn (Gap $g, int $i): ?array => $g->isTyped()
                    ? null
                    : array_map(static fn (int $n): string => $g->listed[$n - 1]['text'], $order[$i] ?? []),
                $this->gaps,
                array_keys($this->gaps),
            ),
        ];
    }

    public function inWords(Response $response, bool $withKey = false): array
    {
        $lines = [];
        foreach ($this->gaps as $i => $gap) {
            $given = FilledParts::in($response)[$gap->part->id] ?? null;
            if ($given !== null) {
                $lines[] = $gap->inWords($given, (string) ($i + 1));
            }
        }

        return $lines;
    }

    public function choices(): array
    {
        return [];
    }

    public function lineIds(): array
    {
        return array_map(static fn (Gap $g): int => $g->part->id, $this->gaps);
    }

    public function saysAnything(): bool
    {
        return array_filter($this->wordings(), static fn (Wording $w): bool => $w->says !== null) !== [];
    }

    public function keyTexts(): array
    {
        return array_map(static fn (Wording $w): string => $w->text, $this->wordings());
    }

    public function keyInWords(): array
    {
        return array_map(static fn (Gap $g, int $i): AnswerLine => $g->keyInWords((string) ($i + 1)), $this->gaps, array_keys($this->gaps));
    }

    /** @return list<Wording> of all gaps that are typed */
    private function wordings(): array
    {
        return array_merge(...array_map(static fn (Gap $g): array => $g->wordings, $this->gaps));
    }
}
