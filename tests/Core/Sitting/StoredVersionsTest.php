<?php

declare(strict_types=1);

namespace Zetema\Tests\Core\Sitting;

use PHPUnit\Framework\Attributes\DataProvider;
use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Numbers\Ratio;
use Zetema\Core\Sitting\Event\Event;
use Zetema\Core\Sitting\Outside\SittingResult;
use Zetema\Core\Sitting\Paper\Paper;
use Zetema\Core\Sitting\Run\Conduct;
use Zetema\Core\Sitting\Run\Terms;
use Zetema\Core\Sitting\Stored\EventCodec;
use Zetema\Core\Sitting\Stored\FormCodec;
use Zetema\Core\Sitting\Stored\Snapshot;
use Zetema\Core\Time\Duration;
use Zetema\Core\Time\Instant;

/** What was ever stored is read; what is of a version that is not known is refused by its field, and not guessed at. */
final class StoredVersionsTest extends SatCase
{
    private const STORED = __DIR__ . '/../../fixtures/stored/';

    public function test_events_of_version_1_come_to_what_they_came_to(): void
    {
        $paper = $this->paperOfThen();
        $conduct = new Conduct($paper, $terms = new Terms(Ratio::one()));
        $state = $conduct->replay($this->events1($paper));
        $result = (new SittingResult($paper, $state, $terms, Instant::start()))->toData();

        self::assertCame(
            [
                'ended.how' => 'whole ran out',
                'ended.at' => '300',
                'points' => '2',
                'max' => '7',
                'path' => 'trim · oar · fork',
                'steps.0.attempts' => '2 1 1 wrong -1 1 1 0 checked · 3 1 2 right 2 1 1 1 checked',
                'steps.1.flagged' => true,
            ],
            $result,
        );
        self::assertEquals(['question trim' => Duration::seconds(5)], $state->given);
    }

    public function test_a_form_of_version_2_is_read(): void
    {
        [$form, $revisions] = FormCodec::read(Fields::ofJson((string) file_get_contents(self::STORED . 'form-v2.json')), 9);

        self::assertSame([['trim', 'oar'], ['trim' => 11, 'oar' => 12], 9], [$form->questions(), $revisions, $form->seed]);
        self::assertSame([[], [3, 1, 2], [1, 2]], array_map(static fn ($step): array => $step->order, $form->sections[0]['steps']));
        self::assertSame('d2', $form->sections[0]['steps'][2]->at);
    }

    /** @return iterable<string, array{\Closure(Paper): mixed, string}> what is read, the field that is refused */
    public static function unknown(): iterable
    {
        yield 'an event' => [static fn (Paper $paper): Event => (new EventCodec($paper))->event('saved', Instant::start(), 'trim', ['v' => 2, 'response' => null]), 'v'];
        yield 'an event that there is not' => [static fn (Paper $paper): Event => (new EventCodec($paper))->event('jumped', Instant::start(), null, []), 'kind'];
        yield 'an event at a place that is not in the paper' => [static fn (Paper $paper): Event => (new EventCodec($paper))->event('saved', Instant::start(), 'nowhere', ['v' => 1, 'response' => null]), 'place'];
        yield 'a form' => [static fn (Paper $paper): array => FormCodec::read(Fields::of(['v' => 3, 'sections' => []]), 1), 'v'];
        yield 'a state' => [static fn (Paper $paper): mixed => Snapshot::read(Fields::of(['v' => 2]), $paper), 'v'];
    }

    /** @param \Closure(Paper): mixed $read */
    #[DataProvider('unknown')]
    public function test_another_version_is_refused(\Closure $read, string $field): void
    {
        try {
            $read($this->paperOfThen());
            self::fail('it was taken');
        } catch (Malformed $e) {
            self::assertSame($field, $e->field);
        }
    }

    private function paperOfThen(): Paper
    {
        return self::paper(
            self::plan(
                [],
                self::inSections(['steps' => [self::q('trim', ['settings' => ['time' => '90 s']])]], ['rules' => ['moving' => 'any order'], 'steps' => [self::q('oar'), self::q('fork')]]) + [
                    'rules' => ['time' => '5 min'],
                ],
            ),
        );
    }

    /** @return \Generator<int, Event> */
    private function events1(Paper $paper): \Generator
    {
        $codec = new EventCodec($paper);
        foreach (Fields::of(['events' => json_decode((string) file_get_contents(self::STORED . 'events-v1.json'), true)])->items('events') as $event) {
            [$kind, $at, $place, $data] = is_array($event) ? array_values($event) : ['', 0, null, null];
            $data = is_array($data) ? array_combine(array_map(strval(...), array_keys($data)), $data) : [];
            yield $codec->event(is_string($kind) ? $kind : '', Instant::micros(is_int($at) ? $at : 0), is_string($place) ? $place : null, $data);
        }
    }
}
