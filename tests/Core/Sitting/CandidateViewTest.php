<?php

declare(strict_types=1);

namespace Zetema\Tests\Core\Sitting;

use PHPUnit\Framework\Attributes\DataProvider;
use Zetema\Core\Blueprint\Outcome\Rung;
use Zetema\Core\Data\Fields;
use Zetema\Core\Numbers\Ratio;
use Zetema\Core\Question\Mentions;
use Zetema\Core\Sitting\Candidate\CandidateView;
use Zetema\Core\Sitting\Candidate\Review;
use Zetema\Core\Sitting\Outside\ActReader;
use Zetema\Core\Sitting\Paper\Paper;
use Zetema\Core\Sitting\Run\Conduct;
use Zetema\Core\Sitting\Run\Terms;
use Zetema\Core\Sitting\State\State;
use Zetema\Core\Time\Instant;

/** What a candidate's page is told of where they are, what they can do and how long they have. */
final class CandidateViewTest extends SatCase
{
    /** @return iterable<string, array{array<string, mixed>, string, array<string, mixed>}> the blueprint, events, what is told */
    public static function screens(): iterable
    {
        $free = ['rules' => ['moving' => 'any order']];
        $again = self::again('last');

        yield 'a page' => [self::whole([['id' => 'p', 'page' => 'reading'], self::q('oar')]), '0 start', ['screen.sort' => 'steps', 'screen.items' => 'reading', 'screen.goesOn' => true, 'questions' => '']];
        yield 'where one is among all there is' => [self::whole([['id' => 'p', 'page' => 'reading'], self::q('oar'), self::q('trim')]), '0 start; 1 go on', ['screen.at.n' => 2, 'screen.at.of' => 3]];
        yield 'not where choices lead elsewhere' => [self::whole([['id' => 'p', 'page' => 'reading'], self::q('fork')]), '0 start', ['screen.at' => null]];
        yield 'nor where a checkpoint does' => [self::whole([self::q('oar'), self::checkpoint(['points' => 'all', 'is' => '>', 'value' => '1'], 'end'), self::q('trim')]), '0 start', ['screen.at' => null]];
        yield 'nor where a page does' => [self::whole([self::q('oar'), ['id' => 'p', 'page' => 'reading', 'then' => 'end']]), '0 start', ['screen.at' => null]];
        yield 'nor at the end' => [self::whole([self::q('oar'), self::q('trim')]), '0 start; 1 go on; 2 go on', ['screen.sort' => 'end', 'screen.at' => null]];
        yield 'a question of a section with a title' => [
            self::whole([self::q('oar'), self::q('fork')], [], ['title' => 'The boats']),
            '0 start',
            ['screen.section' => 'The boats', 'screen.items.0.n' => 1, 'screen.isFree' => false],
        ];
        $timed = static fn (string $late): array => self::whole([self::q('oar', ['settings' => ['time' => '10 s', 'late' => $late]]), self::q('fork')]);
        yield 'a question whose time ran out, and what was entered does not count' => [
            $timed('blank'),
            '0 start; 1 save oar {"choose":[1]}; 60 flag oar',
            ['lapsed.0.of' => 'question', 'lapsed.0.n' => 1, 'lapsed.0.entered' => true, 'lapsed.0.counts' => false, 'clocks' => ''],
        ];
        yield 'and where it counts' => [$timed('marks'), '0 start; 1 save oar {"choose":[1]}; 60 flag oar', ['lapsed.0.entered' => true, 'lapsed.0.counts' => true]];
        yield 'and where nothing was entered' => [$timed('marks'), '0 start; 60 flag oar', ['lapsed.0.entered' => false]];
        yield 'gone by the next step' => [$timed('marks'), '0 start; 60 flag oar; 61 go on', ['questions.0.n' => 2, 'lapsed' => '']];
        yield 'a refresher' => [self::whole([$again]), '0 start; 1 check trim {"choose":[2]}; 2 go on', ['screen.sort' => 'refresher', 'screen.items' => 'care', 'screen.goesOn' => true]];
        yield 'back from it, nothing is given and nothing told' => [
            self::whole([$again]),
            '0 start; 1 check trim {"choose":[2]}; 2 go on; 3 go on',
            ['questions.0.response' => null, 'questions.0.told' => '', 'questions.0.attempt' => 1, 'questions.0.closed' => false],
        ];
        yield 'a page that a choice leads to' => [self::whole([self::q('fork'), self::q('oar')]), '0 start; 1 check fork {"choose":[3]}; 2 go on', ['screen.sort' => 'steps', 'screen.items' => 'second']];
        yield 'an announced checkpoint' => [
            self::whole([self::q('oar'), self::checkpoint(['points' => 'all', 'is' => '>', 'value' => '1'], 'end', ['announced' => true]), self::q('fork')]),
            '0 start; 1 go on',
            ['screen.sort' => 'checkpoint', 'screen.items' => '', 'screen.goesOn' => true, 'routes' => null],
        ];
        yield 'the end, with no way back' => [self::whole([self::q('oar')]), '0 start; 1 go on', ['screen.sort' => 'end', 'screen.goesOn' => false, 'screen.isFree' => false, 'phase' => 'running']];
        yield 'the end behind a stretch, with one' => [
            self::whole([self::q('oar'), self::q('fork')], $free),
            '0 start; 1 go on; 2 go on',
            ['screen.sort' => 'end', 'screen.isFree' => true, 'stretch.1.n' => 2, 'stretch.1.isHere' => false],
        ];
        yield 'all on one screen is left by handing in' => [
            self::whole([self::q('oar'), self::q('fork')], ['rules' => ['moving' => 'any order', 'screen' => 'section']]),
            '0 start',
            ['screen.goesOn' => false, 'screen.isFree' => true, 'questions.1.n' => 2],
        ];
        yield 'handed in' => [self::whole([self::q('oar')]), '0 start; 1 hand in', ['phase' => 'ended', 'screen' => null, 'questions' => '', 'ranOut' => false]];
        yield 'time is up' => [self::whole([self::q('oar')], ['rules' => ['time' => '10 s']]), '0 start; 20 hand in', ['phase' => 'ended', 'ranOut' => true]];
        yield 'what can be moved to, by number alone' => [
            self::whole([self::q('oar'), self::q('trim', ['settings' => ['time' => '1 min']]), self::q('fork')], $free),
            '0 start; 1 save oar {"choose":[1]}; 2 flag oar; 3 go on; 4 go on',
            ['stretch.0.isAnswered' => true, 'stretch.0.isFlagged' => true, 'stretch.0.isHere' => false, 'stretch.1.isLeft' => true, 'stretch.1.isClosed' => true, 'stretch.2.isHere' => true],
        ];
        yield 'clocks beside the whole’s' => [
            self::whole([self::q('trim', ['settings' => ['time' => '1 min']])], ['rules' => ['time' => '5 min']], ['time' => '2 min']),
            '0 start; 10 save trim {"choose":[1]}',
            ['deadline' => 300_000, 'seconds' => 300, 'clocks.0.of' => 'question', 'clocks.0.n' => 1, 'clocks.0.ends' => 60_000, 'clocks.1.of' => 'section', 'clocks.1.ends' => 120_000],
        ];
        yield 'a hint that waits' => [
            self::whole([self::q('trim')]),
            '0 start; 1 hint trim; 2 check trim {"choose":[2]}',
            ['questions.0.nextHint.open' => true, 'questions.0.nextHint.opensAt' => 12_000, 'questions.0.hintsOpen' => 'Think of the glass.', 'questions.0.worthNow' => '2'],
        ];
        yield 'a hint of a later attempt' => [self::whole([self::q('trim')]), '0 start; 1 hint trim', ['questions.0.nextHint.open' => false, 'questions.0.nextHint.fromAttempt' => 2]];
        yield 'what was checked, with facts and what the author says' => [
            self::whole([self::q('trim')]),
            '0 start; 2 check trim {"choose":[2]}',
            ['questions.0.told.0.facts' => 'Wrong: −1 of 4. One attempt left.', 'questions.0.told.0.said' => 'Look again. · Glass breaks. · A round wick smokes.', 'questions.0.attempt' => 2, 'checks' => true],
        ];
        yield 'nothing is told before the end' => [
            self::whole([self::q('trim')], ['rules' => ['feedback' => 'at the end']]),
            '0 start; 2 save trim {"choose":[2]}',
            ['questions.0.told' => '', 'checks' => false, 'questions.0.attempts' => 1, 'questions.0.answered' => true],
        ];
        yield 'what must be answered, and is not shown what it is worth' => [
            self::whole([self::q('trim', ['rules' => ['mustAnswer' => true]])], ['rules' => ['worth' => false]]),
            '0 start',
            ['questions.0.mustAnswer' => true, 'questions.0.worth' => null],
        ];
        $key = ['rules' => ['key' => true]];
        yield 'the right answer, once nothing more can be given' => [
            self::whole([self::q('trim')], $key),
            '0 start; 1 check trim {"choose":[2]}; 2 check trim {"choose":[3]}',
            ['questions.0.rightAnswer.0.text' => 'Straight', 'questions.0.closed' => true],
        ];
        yield 'it may be shown only when asked for' => [self::whole([self::q('trim')], ['rules' => ['key' => true, 'keyOnRequest' => true]]), '0 start; 1 check trim {"choose":[1]}', ['questions.0.keyOnRequest' => true]];
        yield 'the right answer, once it was given' => [self::whole([self::q('trim')], $key), '0 start; 1 check trim {"choose":[1]}', ['questions.0.rightAnswer.0.text' => 'Straight']];
        yield 'its outcome stands at the answer that was given, and no right one beside it' => [
            self::whole([self::q('trim')], $key),
            '0 start; 1 check trim {"choose":[2]}',
            ['questions.0.atAnswers.0.n' => 2, 'questions.0.atAnswers.0.outcome' => 'wrong', 'questions.0.atAnswers.1' => null],
        ];
        yield 'and at the right one too, once nothing more can be given' => [
            self::whole([self::q('trim')], $key),
            '0 start; 1 check trim {"choose":[2]}; 2 check trim {"choose":[3]}',
            ['questions.0.atAnswers.0.n' => 3, 'questions.0.atAnswers.0.outcome' => 'wrong', 'questions.0.atAnswers.1.n' => 1, 'questions.0.atAnswers.1.outcome' => 'right'],
        ];
        yield 'of several, which of them were right is told only with the key' => [
            self::whole([self::q('float', ['settings' => ['attempts' => '2']])], $key),
            '0 start; 1 check float {"choose":[1,3]}',
            ['questions.0.told.0.outcome' => 'wrong', 'questions.0.atAnswers' => ''],
        ];
        yield 'no right answer between attempts' => [self::whole([self::q('trim')], $key), '0 start; 1 check trim {"choose":[2]}', ['questions.0.rightAnswer' => '']];
        yield 'none while the refresher is to come' => [self::whole([$again], $key), '0 start; 1 check trim {"choose":[2]}', ['questions.0.rightAnswer' => '', 'questions.0.closed' => true]];
        yield 'none where nothing is told before the end' => [
            self::whole([self::q('trim', ['settings' => ['time' => '10 s']])], ['rules' => ['key' => true, 'feedback' => 'at the end']]),
            '0 start; 20 flag trim',
            ['questions.0.rightAnswer' => '', 'questions.0.closed' => true],
        ];
        yield 'none unless the rules say so' => [
            self::whole([self::q('trim')]),
            '0 start; 1 check trim {"choose":[1]}',
            ['questions.0.rightAnswer' => '', 'questions.0.hides' => false, 'questions.0.checksOnChoosing' => false, 'score' => null],
        ];
        yield 'points so far are those of closed questions' => [
            self::whole([self::q('trim'), self::q('oar')], ['rules' => ['score' => true]]),
            '0 start; 1 check trim {"choose":[1]}; 2 go on; 3 save oar {"choose":[1]}',
            ['score.earned' => '4', 'score.max' => '4'],
        ];
        yield 'points so far with a question to try again' => [self::whole([self::q('trim')], ['rules' => ['score' => true]]), '0 start; 1 check trim {"choose":[2]}', ['score.earned' => '0', 'score.max' => '0']];
        yield 'choosing checks where one choice is all' => [
            self::whole([self::q('trim')], ['rules' => ['checkOnChoosing' => true, 'hide' => true]]),
            '0 start',
            ['questions.0.checksOnChoosing' => true, 'questions.0.hides' => true],
        ];
        yield 'a right answer may lead on by itself' => [self::whole([self::q('trim')], ['rules' => ['goesOnByItself' => true]]), '0 start', ['questions.0.goesOnByItself' => true]];
        yield 'not where two are to be chosen' => [self::whole([self::q('float')], ['rules' => ['checkOnChoosing' => true]]), '0 start', ['questions.0.checksOnChoosing' => false, 'questions.0.choose.least' => 2]];
        yield 'how many parts must be given' => [self::whole([self::q('crew', ['rules' => ['allParts' => true]])]), '0 start', ['questions.0.needs' => 2]];
        yield 'one part may be enough' => [self::whole([self::q('crew')]), '0 start', ['questions.0.needs' => null]];
        yield 'out of time is said' => [
            self::whole([self::q('trim', ['settings' => ['time' => '10 s']])]),
            '0 start; 20 flag trim',
            ['questions.0.told.0.outcome' => 'out of time', 'questions.0.told.0.facts' => 'Time ran out: −1 of 4.', 'questions.0.closed' => true],
        ];
    }

    /**
     * @param array<string, mixed> $blueprint
     * @param array<string, mixed> $expected
     */
    #[DataProvider('screens')]
    public function test_what_a_page_is_told(array $blueprint, string $events, array $expected): void
    {
        $paper = self::paper(self::plan([], [...$blueprint, 'rules' => ['worth' => true, ...is_array($blueprint['rules'] ?? null) ? $blueprint['rules'] : []]]));
        $view = (new CandidateView($paper, $this->ran($paper, $events), new Terms(Ratio::one())))->toData(Instant::millis(5_000));

        self::assertCame($expected, Fields::ofJson(json_encode($view, JSON_THROW_ON_ERROR))->raw());
    }

    public function test_numbers_follow_the_candidates_path_so_that_nothing_tells_what_was_passed_by(): void
    {
        $paper = self::paper(self::plan([self::q('oar'), self::checkpoint(['outcome' => 'oar', 'is' => ['right']], 'count'), self::q('trim'), self::q('fork'), self::q('count')]));
        $state = $this->ran($paper, '0 start; 1 check oar {"choose":[1]}; 2 go on');

        self::assertCame(['questions.0.n' => 2], Fields::ofJson(json_encode((new CandidateView($paper, $state, new Terms(Ratio::one())))->toData(Instant::start()), JSON_THROW_ON_ERROR))->raw());
    }

    /** @return iterable<string, array{Rung, array<string, mixed>}> */
    public static function rungs(): iterable
    {
        yield 'nothing' => [Rung::Nothing, ['passed' => null, 'total' => null, 'objectives' => '', 'questions' => '', 'closing' => 'second']];
        yield 'passed or not' => [Rung::PassedOrNot, ['closing' => 'care', 'passed' => false, 'total' => null, 'tallies' => '']];
        yield 'total' => [Rung::Total, ['total.earned' => '1', 'total.right' => 1, 'total.asked' => 2, 'objectives' => '', 'tallies' => 'patience 5 steady second']];
        yield 'objectives' => [Rung::Objectives, ['objectives' => 'Boats 2 2 100 1 1 · Lamp room -1 4 0 0 1', 'questions' => '']];
        yield 'the own paper' => [Rung::OwnPaper, ['questions.0.stem' => 'Which oar first?', 'questions.0.outcome' => null, 'questions.0.key' => '']];
        yield 'the marked paper' => [Rung::MarkedPaper, ['questions.1.outcome' => 'wrong', 'questions.1.earned' => '-1', 'questions.1.said' => '', 'questions.1.key' => '']];
        yield 'with key and feedback' => [Rung::WithKey, ['questions.1.said' => 'Look again. · Glass breaks. · A round wick smokes.', 'questions.1.key.0.text' => 'Straight']];
    }

    /** @param array<string, mixed> $expected */
    #[DataProvider('rungs')]
    public function test_a_review_shows_what_its_rung_includes(Rung $rung, array $expected): void
    {
        $paper = self::paper(
            self::plan(
                [self::q('oar'), self::q('trim')],
                [
                    'rules' => ['floor' => 'none'],
                    'pass' => ['percent' => '60'],
                    'closing' => ['notPassed' => 'care', 'noPassMark' => 'second'],
                    'tallies' => [['name' => 'patience', 'bands' => [['to' => 4, 'name' => 'hasty'], ['from' => 5, 'name' => 'steady', 'page' => 'second']]]],
                ],
            ),
        );
        $state = $this->ran($paper, '0 start; 1 check oar {"choose":[1]}; 2 go on; 3 check trim {"choose":[2]}; 4 hand in');
        $mentions = new Mentions();
        $review = new Review($paper, $state, $mentions);

        self::assertCame($expected, Fields::ofJson(json_encode($review->upTo($rung), JSON_THROW_ON_ERROR))->raw());
        self::assertSame(
            $rung->includes(Rung::Total) ? ['care', 'second'] : [$rung->includes(Rung::PassedOrNot) ? 'care' : 'second'],
            $mentions->pages(),
            'the page it closes with can be read, and that of a band that is told',
        );
    }

    public function test_a_tally_is_told_as_far_as_its_author_wants(): void
    {
        $bands = ['bands' => [['from' => 5, 'name' => 'steady', 'page' => 'second']]];
        $tallies = [['name' => 'patience', ...$bands], ['name' => 'secret', 'told' => 'never', ...$bands], ['name' => 'patience', 'told' => 'band', ...$bands], ['name' => 'haste', 'told' => 'band', ...$bands]];
        foreach ([0 => 'patience 5 steady second', 1 => '', 2 => 'steady second', 3 => ''] as $i => $told) {
            $paper = self::paper(self::plan([self::q('oar'), self::q('trim')], ['tallies' => [$tallies[$i]]]));
            $mentions = new Mentions();
            $review = new Review($paper, $this->ran($paper, '0 start; 1 check oar {"choose":[1]}; 2 go on; 3 check trim {"choose":[2]}; 4 hand in'), $mentions);
            self::assertCame(['tallies' => $told], Fields::ofJson(json_encode($review->upTo(Rung::WithKey), JSON_THROW_ON_ERROR))->raw());
            self::assertSame($told === '' ? [] : ['second'], $mentions->pages(), 'nor is the page of a band that is not told');
            self::assertStringContainsString($tallies[$i]['name'], json_encode($review->upTo(Rung::WithKey, allTallies: true)['tallies'], JSON_THROW_ON_ERROR), 'its author sees it');
        }
    }

    private function ran(Paper $paper, string $events): State
    {
        $conduct = new Conduct($paper, new Terms(Ratio::one()));
        $state = $conduct->begin();
        $reader = new ActReader($paper);
        foreach (self::events($events) as $event) {
            $conduct->take($state, $reader->act($event));
        }

        return $state;
    }

    /** Of twelve forms some stand otherwise at the second attempt where that is ruled; none does where it is not, and the response stays what was given. */
    public function test_answers_stand_in_another_order_at_a_further_attempt_where_that_is_ruled(): void
    {
        $order = static fn (array $told): array => Fields::of($told)->objects('questions')[0]->object('answers')->texts('choices');
        foreach ([true, false] as $again) {
            $moved = 0;
            foreach (range(1, 12) as $seed) {
                $plan = self::plan([self::q('trim', ['settings' => ['shuffle' => 'yes', 'attempts' => '3']])], ['rules' => ['reshuffle' => $again]]);
                $paper = self::paper($plan, $seed);
                $view = fn (string $events): array => Fields::ofJson(json_encode((new CandidateView($paper, $this->ran($paper, $events), new Terms(Ratio::one())))->toData(Instant::start()), JSON_THROW_ON_ERROR))->raw();
                $before = $view('0 start');
                $after = $view('0 start; 1 check trim {"choose":[2]}');
                $moved += $order($before) === $order($after) ? 0 : 1;
                $question = Fields::of($after)->objects('questions')[0];
                self::assertSame('Round', $order($after)[$question->object('response')->integers('choose')[0] - 1], 'the response follows');
                self::assertSame($question->object('response')->raw(), $question->objects('told')[0]->object('response')->raw());
            }
            $again ? self::assertGreaterThan(4, $moved) : self::assertSame(0, $moved);
        }
    }

    public function test_a_review_tells_which_minimums_were_met_and_where_announced_checkpoints_led(): void
    {
        $minimums = [['objective' => 'Boats', 'points' => '2'], ['objective' => 'Lamp room > Wick', 'percent' => '50'], ['objective' => 'Harbour', 'percent' => '10']];
        $checkpoint = self::checkpoint(['points' => 'all', 'is' => '>', 'value' => '1'], 'lamp', ['announced' => true]);
        $silent = ['id' => 'c2', 'checkpoint' => ['routes' => [['when' => ['points' => 'all', 'is' => '>=', 'value' => '0'], 'to' => 'end']]]];
        $paper = self::paper(
            self::plan(
                [],
                [
                    'pass' => ['percent' => '10', 'objectives' => $minimums],
                    'sections' => [
                        ['id' => 'a', 'title' => 'The boats', 'steps' => [self::q('oar'), $checkpoint]],
                        ['id' => 'b', 'title' => 'The shore', 'steps' => [self::q('count')]],
                        ['id' => 'lamp', 'title' => 'The lamp', 'steps' => [self::q('trim'), $silent, self::q('fork')]],
                    ],
                ],
            ),
        );
        $review = new Review($paper, $this->ran($paper, '0 start; 1 check oar {"choose":[1]}; 2 go on; 3 go on; 4 check trim {"choose":[2]}; 5 go on; 6 hand in'));
        $told = Fields::of($review->upTo(Rung::WithKey));

        self::assertSame([['Boats', true], ['Lamp room > Wick', false], ['Harbour', null]], array_map(static fn (Fields $m): array => [$m->text('objective'), $m->raw()['met']], $told->objects('minimums')));
        self::assertSame([['after' => 'The boats', 'to' => 'The lamp']], array_map(static fn (Fields $way): array => $way->raw(), $told->objects('route')), 'what is silent is not told');
        $less = Fields::of($review->upTo(Rung::Total));
        self::assertSame([[], []], [$less->items('minimums'), $less->items('route')]);
    }
}
