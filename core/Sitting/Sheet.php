<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting;

use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Marking\MarkingPlan;
use Zetema\Core\Question\Choice;
use Zetema\Core\Question\EffectiveSettings;
use Zetema\Core\Question\Points;
use Zetema\Core\Question\Question;
use Zetema\Core\Question\Response;

/** One question of a candidate's paper: how it is marked here and in which order its choices stand. */
final readonly class Sheet
{
    public EffectiveSettings $settings;
    public MarkingPlan $plan;

    /**
     * @param list<int> $choiceOrder ids of the choices as this candidate sees them
     * @param string|null $pointsHere the worth that its draw gives it, if it does
     */
    public function __construct(public Question $question, public array $choiceOrder, ?string $pointsHere = null)
    {
        $this->settings = $question->effective();
        $plan = MarkingPlan::of($question, $this->settings);
        $this->plan = $pointsHere === null ? $plan : $plan->worthing(Points::of($pointsHere));
    }

    /** @return list<Choice> in the order shown */
    public function choices(): array
    {
        $byId = [];
        foreach ($this->question->kind->choices() as $choice) {
            $byId[$choice->id] = $choice;
        }

        return array_map(static fn (int $id): Choice => $byId[$id], $this->choiceOrder);
    }

    /**
     * A response as a candidate's page sends it: choices by their place on the page, so that ids, which may tell the order
     * written, never leave the server.
     *
     * @throws Malformed
     */
    public function fromPage(mixed $given): Response
    {
        if (is_array($given) && isset($given['choose']) && is_array($given['choose'])) {
            $places = Fields::of($given)->only('choose')->integers('choose');
            $given = ['choose' => array_map(fn (int $place): int => $this->choiceOrder[$place - 1] ?? throw new Malformed('choose', sprintf('there is no choice %d', $place)), $places)];
        }

        // While it is being filled in, a response may still have fewer choices than demanded.
        return $this->question->kind->response($given, $this->settings, complete: false);
    }

    /** A response as an event stored it. */
    public function stored(mixed $data): Response
    {
        return $this->question->kind->response($data, $this->settings, complete: false);
    }

    /** @return array<string, mixed>|null */
    public function toPage(Response $response): ?array
    {
        if ($response->chosen === []) {
            return $response->toData();
        }
        $places = array_map(fn (int $id): int => (int) array_search($id, $this->choiceOrder, true) + 1, $response->chosen);
        sort($places);

        return ['choose' => $places];
    }

    /**
     * The response in words, one line each.
     *
     * @return list<string>
     */
    public function inWords(Response $response): array
    {
        if ($response->text !== null) {
            return [$response->text];
        }

        return array_values(array_map(
            static fn (Choice $c): string => $c->text,
            array_filter($this->choices(), static fn (Choice $c): bool => in_array($c->id, $response->chosen, true)),
        ));
    }
}
