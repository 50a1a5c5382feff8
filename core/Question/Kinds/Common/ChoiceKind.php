<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Kinds\Common;

use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Numbers\Ratio;
use Zetema\Core\Question\Answers\AnswerLine;
use Zetema\Core\Question\Answers\Choice;
use Zetema\Core\Question\InvalidQuestion;
use Zetema\Core\Question\Kinds\Kind;
use Zetema\Core\Question\Kinds\Tallied;
use Zetema\Core\Question\Points;
use Zetema\Core\Question\Response\ChosenChoices;
use Zetema\Core\Question\Response\Response;
use Zetema\Core\Question\Response\Space\Subsets;
use Zetema\Core\Question\Scoring\Criterion;
use Zetema\Core\Question\Scoring\Look;
use Zetema\Core\Question\Scoring\Scoring;
use Zetema\Core\Question\Scoring\ShareRule;
use Zetema\Core\Question\Scoring\Sought\IsChosen;
use Zetema\Core\Question\Scoring\Sought\IsLeft;
use Zetema\Core\Question\Settings\EffectiveSettings;
use Zetema\Core\Question\Settings\Marking;
use Zetema\Core\Question\Settings\Setting;
use Zetema\Core\Question\Texts\TextSort;

/** What the kinds with choices have in common. */
abstract readonly class ChoiceKind implements Kind, Tallied
{
    use TalliedChoices;

    protected const TEXTS = ['choices.*.text' => TextSort::Choice, 'choices.*.says' => TextSort::Feedback];

    /** @param list<Choice> $choices in the order written */
    final public function __construct(public array $choices)
    {
    }

    public static function fromData(Fields $data): static
    {
        return new static(array_map(Choice::fromData(...), $data->objects('choices')));
    }

    public function toData(): array
    {
        return ['choices' => array_map(static fn (Choice $c): array => $c->toData(), $this->choices)];
    }

    public function says(Response $response, array $found): array
    {
        $chosen = array_filter(
            $this->choices,
            static fn (Choice $c): bool => $c->says !== null && in_array($c->id, ChosenChoices::in($response), true),
        );

        return array_values(array_map(static fn (Choice $c): string => $c->says ?? '', $chosen));
    }

    public function choices(): array
    {
        return $this->choices;
    }

    public function shuffledLists(): array
    {
        return [$this->lineIds()];
    }

    public function shownToCandidate(array $order, EffectiveSettings $settings, bool $checked = false): array
    {
        $texts = [];
        foreach ($this->choices as $choice) {
            $texts[$choice->id] = $choice->text;
        }

        return [
            'choices' => array_map(static fn (int $id): string => $texts[$id], $order[0] ?? array_keys($texts)),
            'layout' => $settings->get(Setting::Layout),
        ];
    }

    public function inWords(Response $response, bool $withKey = false): array
    {
        return AnswerLine::written(
            array_map(
                static fn (Choice $c): string => $c->text,
                array_filter($this->choices, static fn (Choice $c): bool => in_array($c->id, ChosenChoices::in($response), true)),
            ),
        );
    }

    public function lineIds(): array
    {
        return array_map(static fn (Choice $c): int => $c->id, $this->choices);
    }

    public function saysAnything(): bool
    {
        return array_filter($this->choices, static fn (Choice $c): bool => $c->says !== null) !== [];
    }

    public function keyTexts(): array
    {
        return array_map(static fn (Choice $c): string => $c->text, $this->keys());
    }

    public function keyInWords(): array
    {
        return AnswerLine::written(array_map(static fn (Choice $c): string => $c->text, $this->keys()));
    }

    public function verify(EffectiveSettings $settings, string $stem): void
    {
        if (count($this->choices) < 2) {
            throw new InvalidQuestion('it needs at least two answers to choose from', 'yes');
        }
        $ids = [];
        foreach ($this->choices as $i => $choice) {
            if ($choice->text === '') {
                throw new InvalidQuestion(sprintf('answer %d has no text', $i + 1), 'yes');
            }
            $ids[$choice->id] = true;
        }
        if (count($ids) !== count($this->choices)) {
            throw new InvalidQuestion('two answers have the same id');
        }
        $weighed = $settings->marking() === Marking::Weighed;
        if ($settings->isKeyless()) {
            if ($weighed || $this->keys() !== []) {
                throw new InvalidQuestion('with “key: none” every answer is written “no:” and nothing is weighed', 'key');
            }

            return;
        }
        if (!$weighed && $this->keys() === []) {
            throw new InvalidQuestion('no answer is the key; write “yes:” before the right one', 'yes');
        }
        foreach ($this->choices as $i => $choice) {
            if ($weighed && $choice->weight === null) {
                throw new InvalidQuestion(
                    sprintf('under “weighed” every answer has its points; answer %d has none (write “no 0:” for none)', $i + 1),
                    'yes',
                );
            }
            if (!$weighed && $choice->weight !== null) {
                throw new InvalidQuestion(
                    sprintf('answer %d has points of its own, which only goes with “marking: weighed”', $i + 1),
                    'marking',
                );
            }
            if ($choice->weight !== null && $choice->weight->decimals() > $settings->integer(Setting::Decimals)) {
                throw new InvalidQuestion(sprintf('the points of answer %d have more decimals than marks are rounded to', $i + 1), 'yes');
            }
        }
        if ($weighed && Choice::highestSum($this->choices, $this->limits($settings))->compare(Points::zero()) <= 0) {
            throw new InvalidQuestion('no permitted response earns more than 0', 'yes');
        }
    }

    public function response(mixed $given, EffectiveSettings $settings, bool $complete = true): Response
    {
        if ($given === null) {
            return Response::blank();
        }
        if ($given === []) {
            throw new Malformed('choose', 'is missing; an unanswered question is null');
        }
        $fields = Fields::of($given, '')->only('choose');
        $chosen = $fields->integers('choose');
        $known = $this->lineIds();
        foreach ($chosen as $id) {
            if (!in_array($id, $known, true)) {
                throw new Malformed('choose', sprintf('there is no choice %d', $id));
            }
        }
        if (count(array_unique($chosen)) !== count($chosen)) {
            throw new Malformed('choose', 'names a choice twice');
        }
        ['least' => $least, 'most' => $most] = $this->limits($settings);
        if ($most !== null && count($chosen) > $most) {
            throw new Malformed('choose', sprintf('has %d choices; %d may be made', count($chosen), $most));
        }
        if ($complete && $chosen !== [] && count($chosen) < $least) {
            throw new Malformed('choose', sprintf('has %d choices; exactly %d are asked for', count($chosen), $least));
        }

        return Response::choosing($chosen);
    }

    public function notYet(Response $response, EffectiveSettings $settings): ?string
    {
        $least = $this->limits($settings)['least'];

        return count(ChosenChoices::in($response)) < $least ? sprintf('Choose %d, then check.', $least) : null;
    }

    public function space(EffectiveSettings $settings): Subsets
    {
        ['least' => $least, 'most' => $most] = $this->limits($settings);

        return new Subsets($this->lineIds(), max(1, $least), $most ?? count($this->choices));
    }

    public function isListable(): bool
    {
        return true;
    }

    /** Each alone, all keys, all distractors, one key left out, one distractor too many; as far as so many may be chosen. */
    public function telling(EffectiveSettings $settings): iterable
    {
        $space = $this->space($settings);
        $ids = fn (bool $keys): array => array_values(
            array_map(
                static fn (Choice $c): int => $c->id,
                array_filter($this->choices, static fn (Choice $c): bool => $c->isKey === $keys),
            ),
        );
        [$right, $wrong] = [$ids(true), $ids(false)];
        $sets = array_map(static fn (int $id): array => [$id], [...$right, ...$wrong]);
        $best = array_slice($right, 0, $space->most);
        $sets[] = $best;
        $sets[] = array_slice($wrong, 0, $space->most);
        foreach ($best as $id) {
            $sets[] = array_diff($best, [$id]);
            $sets[] = isset($wrong[0]) ? [...array_diff($best, [$id]), $wrong[0]] : [];
        }
        foreach ($wrong as $id) {
            $sets[] = [...$best, $id];
        }
        $sets[] = $space->choices;
        foreach ($sets as $set) {
            if (count($set) >= $space->least && count($set) <= $space->most) {
                yield Response::choosing(array_values($set));
            }
        }
    }

    public function scoring(EffectiveSettings $settings): Scoring
    {
        $marking = $settings->marking();
        if ($marking === Marking::Weighed) {
            $criteria = array_map(
                static fn (Choice $c): Criterion => Criterion::weighing(new IsChosen($c->id), $c->weight ?? Points::zero()),
                $this->choices,
            );

            return new Scoring(
                Look::Choices,
                $criteria,
                ShareRule::Weights,
                Ratio::one(),
                Ratio::zero(),
                Choice::highestSum($this->choices, $this->limits($settings)),
            );
        }
        $criteria = [];
        foreach ($this->choices as $choice) {
            $find = new IsChosen($choice->id);
            $criteria[] = $choice->isKey ? Criterion::right($find) : Criterion::wrong($find);
            if ($marking === Marking::Each && !$choice->isKey) {
                $criteria[] = Criterion::right(new IsLeft($choice->id));
            }
        }
        $need =
            $marking === Marking::Each
                ? count($this->choices)
                : min(count($this->keys()), $this->limits($settings)['most'] ?? PHP_INT_MAX);
        $costs = $marking === Marking::Each ? Ratio::zero() : $settings->wrongPartCosts();

        return new Scoring(
            Look::Choices,
            $criteria,
            $marking === Marking::Whole ? ShareRule::Whole : ShareRule::Share,
            Ratio::of(max(1, $need)),
            $costs,
            $settings->points(Setting::Points),
        );
    }

    /** @return list<Choice> */
    protected function keys(): array
    {
        return array_values(array_filter($this->choices, static fn (Choice $c): bool => $c->isKey));
    }

    /** @return array{least: int, most: int|null} */
    protected function limits(EffectiveSettings $settings): array
    {
        return ['least' => 1, 'most' => 1];
    }
}
