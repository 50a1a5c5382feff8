<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting;

use Zetema\Core\Data\Malformed;
use Zetema\Core\Drawing\ChoiceOrder;
use Zetema\Core\Marking\Plan\MarkingPlan;
use Zetema\Core\Question\Question;
use Zetema\Core\Question\Response\Response;
use Zetema\Core\Question\Settings\BankSettings;
use Zetema\Core\Question\Settings\EffectiveSettings;
use Zetema\Core\Question\Settings\Settings;

/** One question of a candidate's paper: how it is marked here and in which order its choices stand. */
final readonly class Sheet
{
    public EffectiveSettings $settings;
    public MarkingPlan $plan;

    /**
     * @param list<int> $choiceOrder as ChoiceOrder dealt it for this candidate
     * @param string|null $pointsHere the worth that its draw gives it, if it does
     * @param BankSettings|null $bank what the bank sets where the question sets nothing
     */
    public function __construct(public Question $question, public array $choiceOrder, ?string $pointsHere = null, ?BankSettings $bank = null)
    {
        $this->settings = $question->effective($bank, $pointsHere === null ? null : Settings::of(['points' => $pointsHere]));
        $this->plan = MarkingPlan::of($question, $this->settings);
    }

    /** @return array<string, mixed> what the candidate's page is told of the answers, before or after one was checked and told */
    public function shownToCandidate(bool $checked): array
    {
        return $this->question->kind->shownToCandidate($this->lists(), $this->settings, $checked);
    }

    /**
     * A response as a candidate's page sends it.
     *
     * @throws Malformed
     */
    public function fromPage(mixed $given): Response
    {
        // While it is being filled in, a response may still have fewer choices than demanded.
        return $this->question->kind->response((new PageOrder($this->question->kind, $this->lists()))->toNumbers($given), $this->settings, complete: false);
    }

    /** A response as an event stored it. */
    public function stored(mixed $data): Response
    {
        return $this->question->kind->response($data, $this->settings, complete: false);
    }

    /** @return array<string, mixed>|null */
    public function toPage(Response $response): ?array
    {
        return (new PageOrder($this->question->kind, $this->lists()))->toPlaces($response);
    }

    /** @return list<list<int>> */
    private function lists(): array
    {
        return ChoiceOrder::lists($this->question, $this->choiceOrder);
    }
}
