<?php

declare(strict_types=1);

namespace Zetema\Tests\Core\Sitting;

use Zetema\Core\Blueprint\Blueprint;
use Zetema\Core\Blueprint\Dealing\BlueprintDealer;
use Zetema\Core\Blueprint\Rules\Rule;
use Zetema\Core\Data\Fields;
use Zetema\Core\Question\Mentions;
use Zetema\Core\Sitting\Act\Start;
use Zetema\Core\Sitting\Candidate\CandidateView;
use Zetema\Core\Sitting\Paper\Paper;
use Zetema\Core\Sitting\Paper\PaperMaker;
use Zetema\Core\Sitting\Paper\QuestionPlace;
use Zetema\Core\Sitting\Paper\Screen;
use Zetema\Core\Sitting\Run\Conduct;
use Zetema\Core\Sitting\Run\Terms;
use Zetema\Core\Sitting\State\At;
use Zetema\Core\Sitting\State\State;
use Zetema\Core\Time\Instant;

/** Nothing is told before the rules show it: every reply of sittings at random, on every path, after every act and every refusal. */
final class ToldTooEarlyTest extends SatCase
{
    private const SITTINGS = 300;
    /** Names that only authors know: of questions, tallies, checkpoints and sections, and of what marking is made of. */
    private const NEVER = [
        '"trim"',
        '"oar"',
        '"count"',
        '"float"',
        '"crew"',
        '"fork"',
        '"sure"',
        '"bay"',
        '"patience"',
        '"c0"',
        '"c1"',
        '"c2"',
        '"s0"',
        '"s1"',
        '"s2"',
        '"key"',
        '"keys"',
        '"criteria"',
        '"working"',
        '"weight"',
        '"isKey"',
        '"says"',
        '"leadsTo"',
        '"tallies"',
        '"routes"',
        '"then"',
    ];

    private ListedBank $bank;
    /** Right answers that were told. */
    private int $keys = 0;

    public function test_no_reply_tells_what_the_rules_do_not_show_yet(): void
    {
        $this->bank = new ListedBank(self::BANK);
        $replies = $told = 0;
        for ($seed = 1; $seed <= self::SITTINGS; ++$seed) {
            $random = new RandomSitting(20_000 + $seed, $this->bank);
            $paper = $this->dealt($random->blueprint());
            $conduct = new Conduct($paper, $terms = $random->terms());
            $state = $conduct->begin();
            $conduct->take($state, new Start(Instant::start()));
            for ($i = 0; $i < 25; ++$i) {
                $told += $this->look($paper, $state, $terms, $random->now(), "seed $seed, act $i");
                ++$replies;
                $conduct->take($state, $random->act($paper));
            }
        }
        self::assertGreaterThan(self::SITTINGS * 20, $replies);
        self::assertGreaterThan(50, $told, 'what is due is told');
        self::assertGreaterThan(50, $this->keys, 'and right answers');
    }

    /** @return int how many texts of authors were told beside stems and answers */
    private function look(Paper $paper, State $state, Terms $terms, Instant $now, string $message): int
    {
        $mentions = new Mentions();
        $reply = json_encode((new CandidateView($paper, $state, $terms, $mentions))->toData($now), JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE);
        foreach (self::NEVER as $name) {
            self::assertStringNotContainsString($name, $reply, $message);
        }
        $told = 0;
        foreach ($paper->questions as $place) {
            $isHere = $state->isRunning() && $this->isHere($paper, $state, $place);
            self::assertSame($isHere, str_contains($reply, $place->question->stem), "$message: {$place->name}");
            $due = $isHere ? $this->due($state, $place) : [];
            foreach (self::texts($place) as $text) {
                self::assertSame(in_array($text, $due, true), str_contains($reply, $text), "$message: $text");
                $told += in_array($text, $due, true) ? 1 : 0;
            }
        }
        foreach (Fields::ofJson($reply)->objects('questions') as $question) {
            $place = $paper->questions[$state->asked[$question->integer('n') - 1]];
            $may = $place->rules->flag(Rule::Key) && $place->rules->tellsBeforeTheEnd() && $state->visit($place->id)->closed !== null;
            self::assertTrue($may || $question->items('rightAnswer') === [], "$message: the right answer of {$place->name}");
            $this->keys += $question->items('rightAnswer') === [] ? 0 : 1;
        }
        foreach (['reading', 'second', 'care'] as $page) {
            self::assertSame($state->isRunning() && $this->reads($paper, $state, $page), in_array($page, $mentions->pages(), true), "$message: page $page");
            self::assertSame(in_array($page, $mentions->pages(), true), str_contains($reply, '"' . $page . '"'), "$message: page $page");
        }

        return $told;
    }

    /** @return list<string> all that its author says besides stem and answers */
    private static function texts(QuestionPlace $place): array
    {
        $texts = [
            ...array_column($place->question->hints, 'text'),
            ...array_column($place->question->outcomeTexts, 'text'),
            ...array_column($place->question->notes, 'text'),
            ...array_column($place->question->kind->choices(), 'says'),
        ];

        return array_values(array_filter($texts, is_string(...)));
    }

    /** @return list<string> those that the candidate has opened or was told in this round */
    private function due(State $state, QuestionPlace $place): array
    {
        $visit = $state->visit($place->id);
        $hints = array_slice(array_column($place->question->hints, 'text'), 0, $visit->hints);
        $said = array_merge(...array_map(static fn ($mark): array => $mark->feedback, $visit->marks()));

        return array_values(array_filter([...$hints, ...$said], is_string(...)));
    }

    private function isHere(Paper $paper, State $state, QuestionPlace $place): bool
    {
        $screen = $paper->nodes[$state->position->node] ?? null;

        return $state->position->isAt(At::Node) && $screen instanceof Screen && in_array($place, $screen->places, true);
    }

    private function reads(Paper $paper, State $state, string $page): bool
    {
        $screen = $paper->nodes[$state->position->node] ?? null;

        return $state->position->page === $page || ($state->position->isAt(At::Node) && $screen instanceof Screen && in_array($page, array_column($screen->places, 'page'), true));
    }

    private function dealt(Blueprint $plan): Paper
    {
        return (new PaperMaker($plan, fn (string $name): array => [$this->bank->questions[$name], $this->bank->settings]))->paper((new BlueprintDealer($plan, $this->bank->stock()))->deal(1));
    }
}
