<?php

declare(strict_types=1);

namespace Zetema\Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Zetema\Core\Data\Fields;
use Zetema\Core\Drawing\Chance;
use Zetema\Core\Drawing\ChoiceOrder;
use Zetema\Core\Exchange\TextFormat\Writer;
use Zetema\Core\Marking\Guessing\Guessing;
use Zetema\Core\Marking\Marker;
use Zetema\Core\Marking\Plan\MarkingPlan;
use Zetema\Core\Marking\Table\WhatScoresWhat;
use Zetema\Core\Numbers\Ratio;
use Zetema\Core\Proofreading\Flaw;
use Zetema\Core\Proofreading\Proofreader;
use Zetema\Core\Proofreading\Rule;
use Zetema\Core\Question\Kinds;
use Zetema\Core\Question\Kinds\KindId;
use Zetema\Core\Question\Question;
use Zetema\Core\Question\Settings\Setting;
use Zetema\Core\Question\Sketch;
use Zetema\Core\Question\Status;
use Zetema\Core\Sitting\Paper\PageAnswers;

/** What must hold of any question, held against every question of the guild's bank and of the sample for empty banks. */
final class DemoQuestionsTest extends TestCase
{
    public const QUESTIONS = 90;
    private const SAMPLE = 7;

    /** @return iterable<string, array{Question}> */
    public static function questions(): iterable
    {
        foreach (['demo/certificate.zet.txt', 'ui/src/areas/intake/sample.zet.txt'] as $file) {
            foreach (TextQuestions::all((string) file_get_contents(dirname(__DIR__, 2) . '/' . $file)) as $read) {
                $question = $read->question ?? throw new \LogicException($file . ' has a problem at line ' . $read->fromLine);
                yield $question->name ?? $file . ', line ' . $read->fromLine => [$question];
            }
        }
    }

    #[DataProvider('questions')]
    public function test_written_and_read_back_it_is_the_same(Question $question): void
    {
        $read = TextQuestions::one((new Writer())->question($question));

        self::assertEquals([$question->toData(), $question->name, $question->objective, $question->status], [$read->toData(), $read->name, $read->objective, $read->status]);
    }

    #[DataProvider('questions')]
    public function test_stored_and_read_back_it_is_whole_and_the_same(Question $question): void
    {
        $json = json_encode($question->toData(), JSON_THROW_ON_ERROR);
        $sketch = Sketch::of(Fields::ofJson($json), $question->name, $question->objective);

        self::assertNull($sketch->problem);
        self::assertEquals($question->toData(), $sketch->data);
    }

    #[DataProvider('questions')]
    public function test_its_table_has_every_sort_of_outcome_and_nothing_beyond_its_worth(Question $question): void
    {
        $settings = $question->effective();
        $plan = MarkingPlan::of($question, $settings);
        $outcomes = [];
        foreach (WhatScoresWhat::table($question, $settings) as $row) {
            $outcomes[$row['outcome']] = true;
            foreach ($row['earned'] as $earned) {
                self::assertLessThanOrEqual(0, Ratio::of($earned)->compareTo($plan->max()->exact()));
            }
            self::assertNotSame('', $row['feedback'][0]);
        }

        self::assertArrayHasKey('unanswered', $outcomes);
        self::assertArrayHasKey($plan->judged ? 'right' : 'recorded', $outcomes);
        self::assertSame($plan->judged, isset($outcomes['wrong']) || isset($outcomes['partly right']));
    }

    #[DataProvider('questions')]
    public function test_a_blind_guess_has_chances_that_sum_to_one(Question $question): void
    {
        $sum = Ratio::zero();
        foreach ((new Guessing())->of($question, $question->effective()) as $row) {
            $sum = $sum->plus($row['chance']);
            self::assertTrue($row['chance']->isPositive());
        }

        self::assertTrue($sum->isEqualTo(1));
    }

    #[DataProvider('questions')]
    public function test_a_plan_read_from_its_json_marks_the_same(Question $question): void
    {
        $plan = MarkingPlan::of($question, $question->effective());
        $again = MarkingPlan::fromData(Fields::ofJson(json_encode($plan->toData(), JSON_THROW_ON_ERROR)));
        $marker = new Marker();
        foreach (WhatScoresWhat::responses($question, $question->effective()) as $i => $response) {
            self::assertEquals($marker->mark($plan, $response), $marker->mark($again, $response));
            if ($i > 40) {
                break;
            }
        }
    }

    #[DataProvider('questions')]
    public function test_a_page_shows_all_there_is_to_answer_with_and_nothing_that_gives_it_away(Question $question): void
    {
        $settings = $question->effective();
        $sheet = new PageAnswers($question, $settings, ChoiceOrder::of($question, $settings->isYes(Setting::Shuffle), new Chance(5)));
        $seen = (string) json_encode($sheet->shown(false), JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES);
        foreach ($question->kind->choices() as $choice) {
            self::assertStringContainsString(trim((string) json_encode($choice->text, JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES), '"'), $seen);
            self::assertStringNotContainsString($choice->says ?? "\0", $seen);
        }
        if ($question->kind instanceof Kinds\Text\Text || $question->kind instanceof Kinds\Number\Number) {
            foreach ($question->kind->keyInWords() as $key) {
                self::assertStringNotContainsString('"' . $key . '"', $seen);
            }
        }
        foreach ([...$question->outcomeTexts, ...$question->hints] as $said) {
            self::assertStringNotContainsString($said->text, $seen);
        }
        self::assertStringNotContainsString('"key"', $seen);
    }

    #[DataProvider('questions')]
    public function test_it_is_written_without_the_faults_that_make_a_mark_unfair(Question $question): void
    {
        $unfair = [Rule::EqualChoices, Rule::OverlappingChoices, Rule::NoDescription, Rule::HintGivesAway, Rule::ArticleClue, Rule::NumberClue, Rule::NothingToChoose, Rule::HeaviestIsNoKey, Rule::EqualFeedback];
        $found = array_filter((new Proofreader())->read($question, $question->effective()), static fn (Flaw $f): bool => in_array($f->rule, $unfair, true));

        self::assertSame([], array_map(static fn (Flaw $f): string => $f->where . ': ' . $f->message, $found));
    }

    public function test_the_bank_has_questions_of_every_kind_nearly_all_cleared(): void
    {
        $questions = array_column(iterator_to_array(self::questions()), 0);
        $kinds = array_unique(array_map(static fn (Question $q): string => $q->kind::id()->value, $questions));
        $cleared = array_filter($questions, static fn (Question $q): bool => $q->status === Status::Cleared);

        self::assertSame([self::QUESTIONS + self::SAMPLE, count(KindId::cases()), self::QUESTIONS - 1], [count($questions), count($kinds), count($cleared)]);
    }
}
