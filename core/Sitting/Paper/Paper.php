<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\Paper;

use Zetema\Core\Blueprint\Blueprint;
use Zetema\Core\Blueprint\Rules\Rule;
use Zetema\Core\Drawing\Chance;
use Zetema\Core\Drawing\ChoiceOrder;
use Zetema\Core\Question\Points;
use Zetema\Core\Question\Settings\Setting;
use Zetema\Core\Sitting\State\Visit;

/** What one candidate sits: screens and checkpoints in their order, which are its nodes, and every question by its place. */
final readonly class Paper
{
    /** @var array<string, QuestionPlace> by the id of the place, in running order */
    public array $questions;
    /** @var array<string, string> ids of places by the question's name */
    public array $placeOf;
    /** @var array<string, int> nodes by the ids of their places */
    private array $nodeOf;

    /**
     * @param list<PaperSection> $sections
     * @param list<Screen|CheckpointPlace> $nodes
     * @param array<string, int> $steps the node where each step of the blueprint begins
     * @param array<string, list<int>> $orders in which each question's lists were dealt, by place
     * @param int $seed of the form
     */
    public function __construct(
        public Blueprint $blueprint,
        public array $sections,
        public array $nodes,
        private array $steps,
        private array $orders = [],
        private int $seed = 0,
    ) {
        $questions = [];
        $nodeOf = [];
        foreach ($nodes as $i => $node) {
            foreach ($node instanceof Screen ? $node->places : [$node] as $place) {
                $nodeOf[$place->id] = $i;
                if ($place instanceof QuestionPlace) {
                    $questions[$place->id] = $place;
                }
            }
        }
        $this->questions = $questions;
        $this->nodeOf = $nodeOf;
        $this->placeOf = array_map(
            strval(...),
            array_flip(array_map(static fn (QuestionPlace $place): string => $place->name, $questions)),
        );
    }

    /** The node with that place. */
    public function nodeOf(string $place): int
    {
        return $this->nodeOf[$place];
    }

    public function first(): ?QuestionPlace
    {
        return array_values($this->questions)[0] ?? null;
    }

    public function questionNamed(string $name): ?QuestionPlace
    {
        return isset($this->placeOf[$name]) ? $this->questions[$this->placeOf[$name]] : null;
    }

    public function pageStep(string $id): ?PagePlace
    {
        $node = $this->nodes[$this->nodeOf[$id] ?? -1] ?? null;
        $pages =
            $node instanceof Screen
                ? array_filter($node->places, static fn (Place $place): bool => $place instanceof PagePlace && $place->id === $id)
                : [];

        return array_values($pages)[0] ?? null;
    }

    public function hasStep(string $id): bool
    {
        return isset($this->steps[$id]);
    }

    /** Where a way leads that is written as "next", "end", or the id of a step or section. */
    public function target(string $way, int $from): int
    {
        if ($way === Blueprint::NEXT) {
            return $from + 1;
        }
        if ($way === Blueprint::END) {
            return count($this->nodes);
        }
        foreach ($this->sections as $section) {
            if ($section->id === $way) {
                return $section->first;
            }
        }

        return $this->steps[$way] ?? $from + 1;
    }

    /** Whether everybody passes every screen, one after another: no checkpoint, and nothing that leads elsewhere. */
    public function isStraight(): bool
    {
        foreach ($this->nodes as $node) {
            foreach ($node instanceof Screen ? $node->places : [$node] as $place) {
                if (
                    $place instanceof CheckpointPlace ||
                    ($place instanceof QuestionPlace && $place->leads !== []) ||
                    ($place instanceof PagePlace && ($place->then ?? Blueprint::NEXT) !== Blueprint::NEXT)
                ) {
                    return false;
                }
            }
        }

        return true;
    }

    public function sectionOf(int $node): ?int
    {
        return ($this->nodes[$node] ?? null)?->section;
    }

    /** @return list<int> the nodes that can be moved in freely from this one, itself among them */
    public function stretch(int $node): array
    {
        $screen = $this->nodes[$node] ?? null;
        if (!($screen instanceof Screen) || !$screen->isAnyOrder) {
            return [$node];
        }
        $first = $last = $node;
        while (($before = $this->nodes[$first - 1] ?? null) instanceof Screen && $before->stretch === $screen->stretch) {
            --$first;
        }
        while (($after = $this->nodes[$last + 1] ?? null) instanceof Screen && $after->stretch === $screen->stretch) {
            ++$last;
        }

        return range($first, $last);
    }

    /** Whether one can move about where a question stands. */
    public function isAnyOrder(QuestionPlace $place): bool
    {
        $node = $this->nodes[$this->nodeOf($place->id)] ?? null;

        return $node instanceof Screen && $node->isAnyOrder;
    }

    /** Seconds for the whole. */
    public function seconds(): ?int
    {
        return $this->blueprint->rules->seconds();
    }

    /** Whether sittings that run end when the assessment closes. */
    public function endsAtClosing(): bool
    {
        return $this->blueprint->rules->flag(Rule::UntilEnds);
    }

    /**
     * How a question stands on the candidate's page: in the order that was dealt, in another one in each further round, and, where
     * that is ruled, at each further attempt.
     */
    public function page(QuestionPlace $place, int $round = 1, int $attempt = 1): PageAnswers
    {
        $order = $this->orders[$place->id] ?? [];
        $again = $place->rules->flag(Rule::Reshuffle) ? $attempt : 1;
        if ($round > 1 || $again > 1) {
            $order = ChoiceOrder::of(
                $place->question,
                $place->settings->isYes(Setting::Shuffle),
                new Chance($this->seed ^ crc32($place->id . ' ' . $round . ($again > 1 ? " $again" : ''))),
            );
        }

        return new PageAnswers(
            $place->question,
            $place->settings,
            $order === [] ? array_merge(...$place->question->kind->shuffledLists()) : $order,
        );
    }

    /** The same as far as the candidate has come: a closed question stands as it was given last. */
    public function pageOf(QuestionPlace $place, Visit $visit): PageAnswers
    {
        return $this->page($place, count($visit->rounds), $visit->isOpen() ? $visit->attempt() : max(1, count($visit->marks())));
    }

    /** What all its questions are worth. */
    public function max(): Points
    {
        return array_reduce(
            $this->questions,
            static fn (Points $sum, QuestionPlace $place): Points => $sum->plus($place->plan->max()),
            Points::zero(),
        );
    }
}
