<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\Candidate;

use Zetema\Core\Blueprint\Rules\Rule;
use Zetema\Core\Marking\Feedback\FeedbackChooser;
use Zetema\Core\Numbers\Ratio;
use Zetema\Core\Question\Answers\AnswerLine;
use Zetema\Core\Question\Mentions;
use Zetema\Core\Question\Points;
use Zetema\Core\Question\Response\ResponseForm;
use Zetema\Core\Question\Settings\Setting;
use Zetema\Core\Sitting\Paper\PageAnswers;
use Zetema\Core\Sitting\Paper\Paper;
use Zetema\Core\Sitting\Paper\QuestionPlace;
use Zetema\Core\Sitting\State\Mark;
use Zetema\Core\Sitting\State\State;
use Zetema\Core\Sitting\State\Visit;
use Zetema\Core\Time\Duration;

/** What a candidate's page is told of one question: an allow-list. */
final readonly class CandidateQuestion
{
    public function __construct(private Paper $paper, private State $state, private Mentions $mentions)
    {
    }

    /** Its number on the candidate's path. */
    public function number(QuestionPlace $place): int
    {
        return (int) array_search($place->id, $this->state->asked, true) + 1;
    }

    /** @return array<string, mixed> */
    public function told(QuestionPlace $place): array
    {
        $visit = $this->state->visit($place->id);
        $question = $place->question;
        $marks = $place->rules->tellsBeforeTheEnd() ? $visit->marks() : [];
        $told = array_values(array_filter($marks, static fn (Mark $mark): bool => $mark->feedback !== []));
        $page = $this->paper->pageOf($place, $visit);
        $response =
            $visit->saved->isBlank() && $visit->marks() !== [] ? $visit->marks()[count($visit->marks()) - 1]->response : $visit->saved;
        $isOpen = $visit->isOpen();
        $answers = $page->shown($told !== []);
        $hintsOpen = array_map(static fn ($hint): string => $hint->text, array_slice($question->hints, 0, $visit->hints));
        $this->mentions->inAnswers($answers);
        $this->mentions->inTexts(
            $question->stem,
            $place->settings->get(Setting::How),
            ...$hintsOpen,
            ...array_merge(...array_map(static fn (Mark $mark): array => $mark->feedback, $told)),
        );
        $worth = $place->rules->flag(Rule::Worth);

        return [
            'n' => $this->number($place),
            'objective' => $question->objective[0] ?? null,
            'kind' => $question->kind::id()->value,
            'stem' => $question->stem,
            'how' => $place->settings->get(Setting::How),
            'choose' => in_array(Setting::Choose, $question->kind::id()->facts()->settings, true) ? $place->settings->limits() : null,
            'answers' => (object) $answers,
            'response' => $page->toPage($response),
            'answered' => !$response->isBlank(),
            'flagged' => $visit->isFlagged,
            'closed' => !$isOpen,
            'mustAnswer' => $place->rules->flag(Rule::MustAnswer),
            'needs' => self::needs($place),
            'checksOnChoosing' => self::checksOnChoosing($place),
            'hides' => $place->rules->flag(Rule::Hide),
            'goesOnByItself' => $place->rules->flag(Rule::GoesOnByItself),
            'keyOnRequest' => $place->rules->flag(Rule::KeyOnRequest),
            'rightAnswer' => $this->rightAnswer($place, $visit, $told !== []),
            'atAnswers' => $told === []
                    ? []
                    : AtAnswers::of(
                        $place,
                        $page,
                        $told[count($told) - 1]->response,
                        $told[count($told) - 1]->verdict->outcome,
                        self::tellsKey($place, $visit),
                    ),
            'attempt' => $isOpen ? $visit->attempt() : count($visit->marks()),
            'attempts' => $place->attempts,
            'worth' => $worth ? (string) $place->plan->max() : null,
            'graded' => $place->plan->counts(),
            'wrongCosts' => $worth && $isOpen ? self::wrongCosts($place) : null,
            'worthNow' => $worth && $isOpen ? (string) self::worthNow($place, $visit) : null,
            'told' => array_map(fn (Mark $mark): array => self::mark($place, $mark, $page), $told),
            'hintsOpen' => $hintsOpen,
            'nextHint' => $isOpen ? self::nextHint($place, $visit) : null,
        ];
    }

    /**
     * The hint that can be opened next, now, in a while or at a later attempt. One that can never be opened here is not offered.
     *
     * @return array{costs: string, fromAttempt: int, open: bool, opensAt: int|null}|null opensAt: milliseconds since 1970, where only time
     *   is missing
     */
    private static function nextHint(QuestionPlace $place, Visit $visit): ?array
    {
        $hint = $place->question->hints[$visit->hints] ?? null;
        if ($hint === null || ($place->attempts !== null && $hint->fromAttempt > $place->attempts)) {
            return null;
        }
        $began = $visit->began[$hint->fromAttempt - 1] ?? null;

        return [
            'costs' => $place->plan->counts() ? Ratio::of($place->plan->penalties->hints[$visit->hints])->inWords() : '0',
            'fromAttempt' => $hint->fromAttempt,
            'open' => $began !== null,
            'opensAt' => $began === null || $hint->afterSeconds === 0 ? null : $began->plus(Duration::seconds($hint->afterSeconds))->inMillis(),
        ];
    }

    /** What a wrong response takes off the sum; null where it takes nothing. For weighed questions it depends on what is given. */
    private static function wrongCosts(QuestionPlace $place): ?string
    {
        $costs = $place->plan->mostLostByOneWrong();

        return $costs->isZero() ? null : (string) $costs;
    }

    /** What a right response would earn on the attempt to come, hints paid. */
    private static function worthNow(QuestionPlace $place, Visit $visit): Points
    {
        $penalties = $place->plan->penalties;
        if (!$place->plan->counts()) {
            return Points::zero();
        }
        $left = $place->plan
            ->max()
            ->exact()
            ->minus($penalties->forAttempt($visit->attempt(), $place->plan->scoring->worth))
            ->minus($penalties->forHints($visit->hints));

        return $left->isNegative() ? Points::zero() : Points::rounded($left, $penalties->decimals);
    }

    /** How many parts a response must have to be checked; null: it need not have all. */
    private static function needs(QuestionPlace $place): ?int
    {
        $isOfParts = $place->question->kind::id()->facts()->form->isMap();

        return $isOfParts && $place->rules->flag(Rule::AllParts) ? (int) (string) $place->plan->scoring->need : null;
    }

    /** Whether choosing checks at once: where one choice, or one click, is all there is to give. */
    private static function checksOnChoosing(QuestionPlace $place): bool
    {
        $facts = $place->question->kind::id()->facts();
        $isOne = $facts->choosesOne || ($facts->form === ResponseForm::Points && ($place->settings->get(Setting::Clicks) ?? '1') === '1');

        return $isOne && $place->rules->flag(Rule::CheckOnChoosing) && $place->rules->tellsBeforeTheEnd();
    }

    /** @return list<array<string, mixed>> the right answer, once nothing more can be given and the rules tell it then */
    private function rightAnswer(QuestionPlace $place, Visit $visit, bool $isTold): array
    {
        if (!$isTold || !self::tellsKey($place, $visit)) {
            return [];
        }
        $key = $place->question->kind->keyInWords();
        $this->mentions->inTexts(...AnswerLine::texts($key));

        return array_map(static fn (AnswerLine $line): array => $line->toData(), $key);
    }

    private static function tellsKey(QuestionPlace $place, Visit $visit): bool
    {
        return $visit->closed !== null && $place->rules->flag(Rule::Key);
    }

    /** @return array<string, mixed> */
    private static function mark(QuestionPlace $place, Mark $mark, PageAnswers $page): array
    {
        $left = $place->attempts === null ? null : max(0, $place->attempts - $mark->attempt);

        return [
            'attempt' => $mark->attempt,
            'outcome' => $mark->verdict->outcome->value,
            'earned' => (string) $mark->verdict->earned,
            'max' => (string) $mark->verdict->max,
            'response' => $page->toPage($mark->response),
            'facts' => (new FeedbackChooser())->facts($mark->verdict, $left),
            'said' => array_values(array_filter($mark->feedback, is_string(...))),
        ];
    }
}
