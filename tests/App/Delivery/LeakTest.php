<?php

declare(strict_types=1);

namespace Zetema\Tests\App\Delivery;

use Doctrine\ORM\EntityManagerInterface;
use PHPUnit\Framework\Attributes\DataProvider;
use Zetema\App\Delivery\Papers;
use Zetema\App\Delivery\Sitting;
use Zetema\Core\Blueprint\Step\CheckpointStep;
use Zetema\Core\Data\Fields;
use Zetema\Core\Drawing\Chance;
use Zetema\Core\Sitting\Paper\Paper;
use Zetema\Core\Sitting\Paper\QuestionPlace;
use Zetema\Core\Sitting\Rehearsal\Answerer;
use Zetema\Core\Sitting\Rehearsal\HowToAnswer;
use Zetema\Tests\App\ApiTestCase;

/** Every reply that a candidate of the demo's assessments gets, on every path and to everything that is refused, tells nothing too early. */
final class LeakTest extends ApiTestCase
{
    private const SITTINGS = 5;
    /** What marking and routes are made of. */
    private const NEVER = [
        '"key"',
        '"keys"',
        '"isKey"',
        '"weight"',
        '"weights"',
        '"criteria"',
        '"working"',
        '"says"',
        '"leads"',
        '"leadsTo"',
        '"routes"',
        '"tallies"',
        '"then"',
        '"checkpoint"',
        '"otherwise"',
        '"belongs"',
        '"spans"',
        '"wordings"',
        '"regions":',
        '"seed"',
    ];

    private Paper $paper;
    /** @var array<array-key, string> what the edition's pages say, by name */
    private array $pages;
    private int $replies = 0;
    private int $told = 0;

    /** @return iterable<string, array{int}> */
    public static function editions(): iterable
    {
        foreach (['certificate', 'practice', 'hands on', 'swarm day', 'keeper', 'spot test'] as $i => $title) {
            yield $title => [$i + 1];
        }
    }

    #[DataProvider('editions')]
    public function test_nothing_is_told_before_its_time(int $edition): void
    {
        $this->admit($edition);
        $em = self::getContainer()->get(EntityManagerInterface::class);
        $this->pages = array_filter($em->getConnection()->fetchAllKeyValue('SELECT name, reads FROM edition_page WHERE edition_id = ?', [$edition]), is_string(...));
        $taken = [];
        for ($i = 0; $i < self::SITTINGS; ++$i) {
            $sitting = $this->send('POST', "/api/editions/$edition/sittings", [], 'Sitting', 201);
            $stored = $em->find(Sitting::class, $sitting->integer('id'));
            self::assertNotNull($stored);
            $this->paper = self::getContainer()->get(Papers::class)->paper($stored);
            $this->looksInnocent();
            $taken = [...$taken, ...$this->sat($sitting, $i)];
            $this->reviewed($sitting->integer('id'));
        }

        self::assertSame([], array_diff($this->ways(), $taken), 'every path was gone');
        self::assertGreaterThan(20, $this->replies);
        self::assertSame(in_array($edition, [2, 3, 4], true), $this->told > 0, 'what is due is told, where anything is');
    }

    /**
     * Sits it: all rightly, all wrongly, and by chance; once with all sorts of things tried that are refused.
     *
     * @return list<string> the ways that were taken
     */
    private function sat(Fields $sitting, int $i): array
    {
        $chance = new Chance(11 * $i + 1);
        $how = [HowToAnswer::Rightly, HowToAnswer::Wrongly][$i] ?? HowToAnswer::ByChance;
        for ($acts = 0; $acts < 120 && $sitting->text('phase') === 'running'; ++$acts) {
            if ($i === 2 && $acts % 3 === 1) {
                $this->refused($sitting);
            }
            $sitting = $this->next($sitting, $how, $chance);
        }
        self::assertSame('ended', $sitting->text('phase'));
        $summary = self::getContainer()
            ->get(EntityManagerInterface::class)
            ->getConnection()
            ->fetchOne('SELECT summary FROM sitting WHERE id = ?', [$sitting->integer('id')]);

        return array_map(static fn (Fields $route): string => $route->text('checkpoint') . ' ' . $route->text('to'), Fields::ofJson(is_string($summary) ? $summary : '')->objects('routes'));
    }

    private function next(Fields $sitting, HowToAnswer $how, Chance $chance): Fields
    {
        foreach ($sitting->objects('questions') as $question) {
            $place = $this->place($sitting, $question);
            if (!$question->flag('closed') && $question->optionalObject('nextHint')?->flag('open') === true && $question->object('nextHint')->optionalInteger('opensAt') === null) {
                return $this->does($sitting, ['type' => 'hint opened', 'sheet' => $question->integer('n')]);
            }
            $waits = $sitting->flag('checks') ? !$question->flag('closed') : !$question->flag('answered');
            if ($waits) {
                $page = $this->paper->page($place, attempt: $question->integer('attempt'));
                $response = Answerer::response($place, $how, $chance, $question->integer('attempt')) ?? Answerer::response($place, HowToAnswer::ByChance, $chance);

                return $this->does($sitting, ['type' => $sitting->flag('checks') ? 'checked' : 'saved', 'sheet' => $question->integer('n'), 'response' => $response === null ? null : $page->toPage($response)]);
            }
        }
        $screen = $sitting->object('screen');

        return $this->does($sitting, ['type' => $screen->flag('goesOn') ? 'went on' : 'handed in']);
    }

    /** What no page would ask for is refused, and neither the refusal nor the state that comes with it tells more. */
    private function refused(Fields $sitting): void
    {
        $path = '/api/sittings/' . $sitting->integer('id') . '/events';
        $on = $sitting->integer('events');
        foreach (
            [
                [409, ['type' => 'handed in', 'on' => $on - 1]],
                [422, ['type' => 'saved', 'sheet' => 99, 'response' => null]],
                [422, ['type' => 'checked', 'sheet' => 1, 'response' => ['choose' => [99]]]],
                [422, ['type' => 'hint opened', 'sheet' => 98]],
                [422, ['type' => 'went to', 'sheet' => 97]],
                [422, ['type' => 'told the key']],
            ] as $n => [$status, $event]
        ) {
            $this->send('POST', $path, ['request' => "refused-$on-$n", 'on' => $on, ...$event], status: $status);
            $this->looksInnocent();
        }
        $this->send('GET', '/api/sittings/' . $sitting->integer('id') . '/review', status: 422);
        $this->looksInnocent();
        $this->send('GET', '/api/sittings/' . $sitting->integer('id') . '/paper', status: 403);
        $this->looksInnocent();
    }

    /** @param array<string, mixed> $event */
    private function does(Fields $sitting, array $event): Fields
    {
        $next = $this->send('POST', '/api/sittings/' . $sitting->integer('id') . '/events', ['request' => bin2hex(random_bytes(8)), 'on' => $sitting->integer('events'), ...$event]);
        $this->looksInnocent();

        return $next;
    }

    private function place(Fields $sitting, Fields $question): QuestionPlace
    {
        foreach ($this->paper->questions as $place) {
            if ($place->question->stem === $question->text('stem')) {
                return $place;
            }
        }
        self::fail('a question that is not in the paper of sitting ' . $sitting->integer('id'));
    }

    /** The last reply has nothing of the key, of marking, of routes, of pages and questions elsewhere, nor what is said only after a check. */
    private function looksInnocent(): void
    {
        ++$this->replies;
        $reply = (string) $this->client->getResponse()->getContent();
        $data = Fields::ofJson($reply);
        $data = $data->optionalObject('current') ?? $data;
        $here = $data->has('questions') ? $data->objects('questions') : [];
        $leaks = array_filter([...self::NEVER, ...array_map(static fn (string $id): string => '"id":"' . $id, $this->ids())], static fn (string $word): bool => str_contains($reply, $word));
        $reply = self::plain($reply);
        $stems = array_map(static fn (Fields $question): string => $question->text('stem'), $here);
        foreach ($this->paper->questions as $place) {
            $i = array_search($place->question->stem, $stems, true);
            $question = $i === false ? null : $here[$i];
            $may = $question !== null && $question->items('told') !== [] && $place->rules->tellsBeforeTheEnd();
            $said = array_filter(self::said($place), static fn (string $text): bool => self::has($reply, $text));
            $this->told += count($said);
            $leaks = [
                ...$leaks,
                ...($i !== false) === self::has($reply, $place->question->stem) ? [] : ["the question {$place->name}"],
                ...$may ? [] : $said,
                ...$may || $question === null || [...$question->items('rightAnswer'), ...$question->items('atAnswers')] === [] ? [] : ["the right answer of {$place->name}"],
                ...array_filter(array_column($place->question->hints, 'text'), static fn (string $hint): bool => self::has($reply, $hint) !== in_array($hint, $question?->items('hintsOpen') ?? [], true)),
            ];
        }
        $told = $data->optionalObject('pages')?->raw() ?? [];
        foreach ($this->pages as $name => $reads) {
            $aliases = array_filter(array_keys($told), static fn (int|string $alias): bool => is_array($told[$alias]) && ($told[$alias]['reads'] ?? null) === $reads);
            $isHere = array_filter($aliases, static fn (int|string $alias): bool => str_contains($reply, '"page":"' . $alias . '"') || str_contains($reply, "page:$alias)")) !== [];
            $isNamed = str_contains($reply, '"' . $name . '"') || str_contains($reply, "page:$name)") || str_contains($reply, 'page:' . rawurlencode($name) . ')');
            $leaks = [...$leaks, ...$isHere || !self::has($reply, $reads) ? [] : ["the page $name"], ...$isNamed ? ["what its author calls the page $name"] : []];
        }
        self::assertSame([], $leaks);
    }

    /** The review tells no more than its rung. */
    private function reviewed(int $id): void
    {
        $review = $this->send('GET', "/api/sittings/$id/review", schema: 'Review');
        if ($review->text('rung') === 'marked paper with key and feedback') {
            return;
        }
        $reply = self::plain((string) $this->client->getResponse()->getContent());
        foreach ($this->paper->questions as $place) {
            foreach (self::said($place) as $text) {
                self::assertFalse(self::has($reply, $text), $text);
            }
        }
        foreach ($review->objects('questions') as $question) {
            self::assertSame([], $question->items('key'));
        }
    }

    /** The reply with its texts as they are written. */
    private static function plain(string $reply): string
    {
        return json_encode(json_decode($reply), JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_THROW_ON_ERROR);
    }

    private static function has(string $reply, string $text): bool
    {
        return str_contains($reply, substr(json_encode($text, JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_THROW_ON_ERROR), 1, -1));
    }

    /** @return list<string> what the author says to a response */
    private static function said(QuestionPlace $place): array
    {
        $texts = [...array_column($place->question->outcomeTexts, 'text'), ...array_column($place->question->notes, 'text'), ...array_column($place->question->kind->choices(), 'says')];

        return array_values(array_filter($texts, static fn (mixed $text): bool => is_string($text) && mb_strlen($text) > 6));
    }

    /** @return list<string> of sections and steps */
    private function ids(): array
    {
        $ids = [];
        foreach ($this->paper->blueprint->steps() as [$section, $step]) {
            array_push($ids, $section->id, $step->id);
        }

        return $ids;
    }

    /** @return list<string> all ways on that its checkpoints have */
    private function ways(): array
    {
        $ways = [];
        foreach ($this->paper->blueprint->steps() as [, $step]) {
            if ($step instanceof CheckpointStep) {
                $ways = [...$ways, "$step->id $step->otherwise", ...array_map(static fn ($route): string => "$step->id $route->to", $step->routes)];
            }
        }

        return array_values(array_unique($ways));
    }

    /** As many sittings as this test needs. */
    private function admit(int $edition): void
    {
        $this->logIn('orrell');
        foreach ($this->send('GET', '/api/groups')->objects('candidates') as $candidate) {
            if ($candidate->text('name') === 'J. Carrow') {
                $now = $this->send('GET', "/api/blueprints/$edition/admission");
                $this->send('PUT', "/api/blueprints/$edition/admission", [
                    'version' => $now->integer('version'),
                    'everybody' => true,
                    'people' => [['account' => $candidate->integer('id'), 'extraTime' => 0, 'sittings' => 2 * self::SITTINGS, 'byCode' => false]],
                ]);
            }
        }
        $this->logIn('carrow');
    }
}
