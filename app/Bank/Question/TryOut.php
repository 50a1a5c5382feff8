<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Question;

use Zetema\App\Bank\Media\Media;
use Zetema\Core\Blueprint\Plain\PlainRules;
use Zetema\Core\Data\AuthorText;
use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Drawing\Chance;
use Zetema\Core\Drawing\ChoiceOrder;
use Zetema\Core\Marking\Feedback\FeedbackChooser;
use Zetema\Core\Marking\Guessing\FormGuessing;
use Zetema\Core\Marking\Guessing\Guessing;
use Zetema\Core\Marking\Guessing\TooManyToCount;
use Zetema\Core\Marking\Marker;
use Zetema\Core\Marking\Table\WhatScoresWhat;
use Zetema\Core\Numbers\Ratio;
use Zetema\Core\Question as Core;
use Zetema\Core\Question\Mentions;
use Zetema\Core\Sitting\Candidate\CandidateView;
use Zetema\Core\Sitting\Event\Started;
use Zetema\Core\Sitting\Paper\Paper;
use Zetema\Core\Sitting\Paper\PaperMaker;
use Zetema\Core\Sitting\Paper\QuestionPlace;
use Zetema\Core\Sitting\Refused;
use Zetema\Core\Sitting\Run\Conduct;
use Zetema\Core\Sitting\Run\Terms;
use Zetema\Core\Time\Instant;

/** A question tried out by its author: as a candidate sees it, what any response scores, and the table of what scores what. */
final readonly class TryOut
{
    /** So many rows of the table are told at first. */
    private const FIRST = 60;
    /** Characters of a response in the table, as far as they can be shared out. */
    private const WIDEST = 120;

    private Core\Question $content;
    private Paper $paper;
    private QuestionPlace $place;

    /** @throws Core\InvalidQuestion if it is not whole yet */
    public function __construct(private Question $question, int $seed)
    {
        $problem = $question->newest()->problem();
        if ($problem !== null) {
            throw new Core\InvalidQuestion('it is not whole yet: ' . $problem['message'], $problem['field']);
        }
        $this->content = $question->newest()->question();
        $bank = $question->bank->settings();
        $shuffle = $this->content->effective($bank)->isYes(Core\Settings\Setting::Shuffle);
        $this->paper = PaperMaker::ofQuestions([$this->content], new PlainRules(tellsAtOnce: true), null, $bank, [
            ChoiceOrder::of($this->content, $shuffle, new Chance($seed)),
        ]);
        $this->place = array_values($this->paper->questions)[0];
    }

    /** @return array<string, mixed> */
    public function asSeen(Media $media): array
    {
        $conduct = new Conduct($this->paper, $terms = new Terms(Ratio::one()));
        $view = (new CandidateView($this->paper, $conduct->replay([new Started(Instant::start())]), $terms))->toData(Instant::start());
        $mentions = new Mentions();
        $mentions->inQuestion($this->content->toData());

        return [
            'question' => is_array($view['questions']) ? $view['questions'][0] : null,
            'key' => array_map(static fn (Core\Answers\AnswerLine $line): array => $line->toData(), $this->content->kind->keyInWords()),
            'hints' => array_map(static fn (Core\Feedback\Hint $h): string => $h->text, $this->content->hints),
            ...$media->mentioned($this->question->bank, $mentions),
        ];
    }

    /**
     * Marks a response as the page of as-seen sends it. What a sitting would not take is refused in its words.
     *
     * @return array<string, mixed>
     * @throws Refused
     */
    public function mark(Fields $body): array
    {
        $attempt = $body->integer('attempt', 1);
        $hints = $body->integer('hints', 0);
        $most = $this->place->settings->attempts();
        if ($attempt < 1 || $attempt > ($most ?? 99)) {
            throw new Malformed('attempt', $most === 1 ? 'there is only one attempt' : sprintf('must be 1 to %d', $most ?? 99));
        }
        if ($hints < 0 || $hints > count($this->content->hints)) {
            throw new Malformed('hints', sprintf('there are %d', count($this->content->hints)));
        }
        $response = $this->paper->page($this->place)->fromPage($body->raw()['response'] ?? null);
        $why = $response->isBlank() ? null : $this->content->kind->notYet($response, $this->place->settings);
        if ($why !== null) {
            throw new Refused($why);
        }
        $verdict = (new Marker())->mark($this->place->plan, $response, $attempt, $hints, $body->flag('late', false));
        $left = $most === null ? null : $most - $attempt;
        $chooser = new FeedbackChooser();

        return [
            ...$verdict->toData(),
            'facts' => $chooser->facts($verdict, $left),
            'said' => $chooser->texts($this->place->question, $this->place->plan, $response, $verdict, $attempt, $left === 0),
        ];
    }

    /** @return array{rows: list<array<string, mixed>>, total: int} where not all are told, right ones come first and nothing last */
    public function table(bool $all): array
    {
        $rows = [];
        foreach (WhatScoresWhat::table($this->place->question, $this->place->settings) as $row) {
            $lines = $this->lines($row['response']);
            $rows[] = [
                ...$row,
                'response' => implode(
                    $row['response'] instanceof Core\Response\OrderedItems ? ' › ' : ' · ',
                    array_map(
                        static fn (Core\Answers\AnswerLine $line): string => $line->typed
                            ? (string) $line
                            : AuthorText::excerpt((string) $line),
                        $lines,
                    ),
                ),
                'lines' => array_map(static fn (Core\Answers\AnswerLine $line): array => $line->toData(), $lines),
            ];
        }
        $total = count($rows);
        if (!$all && $total > self::FIRST) {
            $isRight = static fn (array $row): bool => $row['outcome'] === 'right';
            $right = array_slice(array_filter($rows, $isRight), 0, 5);
            $other = array_filter($rows, static fn (array $row): bool => !$isRight($row));
            $rows = [...$right, ...array_slice($other, 0, self::FIRST - 1 - count($right)), ...array_slice($other, -1)];
        }

        return ['rows' => $rows, 'total' => $total];
    }

    /**
     * @return list<Core\Answers\AnswerLine> in the words of the answers, short enough for a row of the table; what was typed in quotation
     *   marks
     */
    private function lines(Core\Response\Response $response): array
    {
        if ($response->isBlank()) {
            return [Core\Answers\AnswerLine::typed('nothing')];
        }
        if ($response instanceof Core\Response\TypedText) {
            return [Core\Answers\AnswerLine::typed('“' . $response->text . '”')];
        }
        $lines = $this->content->kind->inWords($response, withKey: true);
        $longest = intdiv(self::WIDEST, max(1, min(4, count($lines))));

        return array_map(static fn (Core\Answers\AnswerLine $line): Core\Answers\AnswerLine => self::short($line, $longest), $lines);
    }

    /** As it was written where that is short, to be drawn; else its first words. */
    private static function short(Core\Answers\AnswerLine $line, int $longest): Core\Answers\AnswerLine
    {
        $isShort =
            !str_contains($line->text, '![') &&
            AuthorText::excerpt($line->text, $longest) === AuthorText::excerpt($line->text, 2 * self::WIDEST);

        return $line->typed || $isShort
            ? $line
            : Core\Answers\AnswerLine::typed(AuthorText::excerpt($line->text, $longest), $line->before);
    }

    /**
     * What a blind guess earns. It may take a second, so the page asks for it apart.
     *
     * @return array{expected: string|null, right: string|null, why: string|null}
     */
    public function guess(): array
    {
        $max = $this->place->plan->max();
        if ($max->isZero()) {
            return ['expected' => null, 'right' => null, 'why' => null];
        }
        try {
            $distribution = (new Guessing())->of($this->content, $this->place->settings);
        } catch (TooManyToCount $e) {
            return ['expected' => null, 'right' => null, 'why' => $e->getMessage()];
        }

        return [
            'expected' => (string) Core\Points::rounded(FormGuessing::expected($distribution), 2),
            'right' => (string) FormGuessing::chanceToReach($distribution, $max->exact()),
            'why' => null,
        ];
    }
}
