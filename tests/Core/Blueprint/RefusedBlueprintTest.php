<?php

declare(strict_types=1);

namespace Zetema\Tests\Core\Blueprint;

use PHPUnit\Framework\Attributes\DataProvider;
use Zetema\Core\Blueprint\Reading\BlueprintReader;
use Zetema\Core\Blueprint\Reading\BlueprintRefused;
use Zetema\Core\Blueprint\Reading\Refusal;
use Zetema\Tests\Core\Sitting\ListedBank;
use Zetema\Tests\Core\Sitting\SatCase;

/** Every reason for which a blueprint is refused, told at its place. */
final class RefusedBlueprintTest extends SatCase
{
    /** @return iterable<string, array{array<string, mixed>, string}> fields of the blueprint, "where subject" of each refusal */
    public static function blueprints(): iterable
    {
        $p = ['id' => 'p', 'page' => 'reading'];
        $free = ['rules' => ['moving' => 'any order']];
        $shared = ['rules' => ['screen' => 'section']];
        $quiet = ['rules' => ['feedback' => 'never']];

        yield 'another version' => [self::whole([self::q('trim')], ['v' => 3]), 'blueprint shape'];
        yield 'no title' => [self::whole([self::q('trim')], ['title' => null]), 'blueprint shape'];
        yield 'nothing to sit' => [['sections' => []], 'blueprint shape'];
        yield 'an unknown field' => [self::whole([self::q('trim', ['timer' => 5])]), 'trim shape'];
        yield 'a wrong word' => [self::whole([self::q('trim')], ['rules' => ['moving' => 'backwards']]), 'blueprint shape'];
        yield 'a wrong type' => [self::whole([self::q('trim')], ['rules' => ['worth' => 'yes']]), 'blueprint shape'];
        yield 'a rule that a section cannot make' => [self::whole([self::q('trim')], [], ['rules' => ['time' => '5 min']]), 'a shape'];
        yield 'a rule that a step cannot make' => [self::whole([self::q('trim', ['rules' => ['feedback' => 'never']])]), 'trim shape'];
        yield 'a setting that an assessment has not' => [self::whole([self::q('trim', ['settings' => ['unit' => 'm']])]), 'trim shape'];
        yield 'a setting that is no text' => [self::whole([self::q('trim', ['settings' => ['points' => 5]])]), 'trim shape'];
        yield 'two sorts of step' => [self::whole([self::q('trim', ['page' => 'reading'])]), 'trim shape'];
        yield 'no sort of step' => [self::whole([['id' => 'x']]), 'x shape'];
        yield 'a draw without a number' => [self::whole([['id' => 'd', 'draw' => ['pool' => ['objective' => 'Boats']]]]), 'd shape'];
        yield 'a condition of no sort' => [self::whole([self::q('trim'), self::route('end', ['is' => '>'])]), 'c shape'];
        yield 'a value that is no decimal' => [self::whole([self::q('trim'), self::route('end', ['points' => 'all', 'is' => '>', 'value' => 'x'])]), 'c shape'];
        yield 'between needs two ends' => [self::whole([self::q('trim'), self::route('end', ['points' => 'all', 'is' => 'between', 'value' => ['1']])]), 'c shape'];
        yield 'several at once, all told' => [self::whole([self::q('trim', ['x' => 1]), self::q('oar', ['y' => 1])], ['z' => 1]), 'blueprint shape · oar shape · trim shape'];
        yield 'an id is missing, told at what it stands in' => [['sections' => [['steps' => [['question' => 'trim']]], ['id' => 'a', 'steps' => [['question' => 'oar']]]]], 'a id · blueprint id · blueprint id'];
        yield 'an id twice, of a step and a section' => [self::whole([['id' => 'a', 'question' => 'trim']]), 'a id'];
        yield 'a word of its own' => [self::whole([['id' => 'end', 'question' => 'trim']]), 'end id'];
        yield 'an id with a space' => [self::whole([['id' => 'a b', 'question' => 'trim']]), 'a b id'];
        yield 'without a shape nothing else is said' => [self::whole([self::q('nobody'), self::q('trim', ['x' => 1])]), 'trim shape'];
        yield 'no such question' => [self::whole([self::q('nobody')]), 'nobody unknown'];
        yield 'no such page' => [
            self::whole([['id' => 'p', 'page' => 'none'], self::q('trim', ['refresher' => ['pages' => ['none']]]), self::q('fork', ['leads' => ['1' => ['page' => 'none']]])]),
            'fork unknown · p unknown · trim unknown',
        ];
        yield 'nor a closing one, nor a band’s' => [
            self::whole([self::q('trim')], ['closing' => ['passed' => 'none'], 'tallies' => [['name' => 'patience', 'bands' => [['name' => 'all', 'page' => 'none']]]]]),
            'blueprint unknown · blueprint unknown',
        ];
        yield 'no such choice' => [self::whole([self::q('fork', ['leads' => ['9' => ['then' => 'end']]]), self::route('end', ['chosen' => 'fork', 'choice' => 9])]), 'c unknown · fork unknown'];
        yield 'a condition on what is not there' => [
            self::whole([
                self::q('fork'),
                self::route('end', ['any' => [['tally' => 'haste', 'is' => '>', 'value' => '1'], ['points' => ['section' => 'zz'], 'is' => '>', 'value' => '1'], ['outcome' => 'nobody', 'is' => ['right']]]]),
            ]),
            'c unknown · c unknown · c unknown',
        ];
        yield 'kept apart from nobody' => [self::whole([self::q('trim')], ['apart' => [['trim', 'nobody']]]), 'blueprint unknown'];
        yield 'a pool that names nobody' => [self::whole([['id' => 'd', 'draw' => ['take' => 1, 'pool' => ['only' => ['nobody']]]]]), 'd unknown'];
        yield 'no step to lead to' => [self::whole([self::q('trim'), self::route('nowhere')]), 'c unknown'];
        yield 'a question twice' => [self::whole([self::q('trim'), ['id' => 'x', 'question' => 'trim']]), 'x twice'];
        yield 'attempts at a step, where nothing is told' => [self::whole([self::q('trim', ['settings' => ['attempts' => '2']])], $quiet), 'trim attempts'];
        yield 'of a section' => [self::whole([self::q('trim')], $quiet, ['settings' => ['attempts' => 'unlimited']]), 'a attempts'];
        yield 'of the assessment' => [self::whole([self::q('trim')], [...$quiet, 'settings' => ['attempts' => '2']]), 'blueprint attempts'];
        yield 'unless the section says one' => [self::whole([self::q('trim')], [...$quiet, 'settings' => ['attempts' => '2']], ['settings' => ['attempts' => '1']]), ''];
        yield 'a running score that would tell' => [self::whole([self::q('trim')], ['rules' => ['feedback' => 'at the end', 'score' => true]]), 'blueprint score'];
        yield 'a paper thrown away' => [self::whole([self::q('trim')], ['rules' => ['runningOut' => 'unanswered']], $quiet), 'blueprint runningOut'];
        yield 'a refresher in any order' => [self::whole([self::q('trim', ['refresher' => ['pages' => ['care']]])], $free), 'trim refresher'];
        yield 'on a shared screen' => [self::whole([self::q('trim', ['refresher' => ['pages' => ['care']]])], $shared), 'trim refresher'];
        yield 'where nothing is told' => [self::whole([self::q('trim', ['refresher' => ['pages' => ['care']]])], $quiet), 'trim refresher'];
        yield 'with unlimited attempts' => [self::whole([self::q('trim', ['refresher' => ['pages' => ['care']], 'settings' => ['attempts' => 'unlimited']])]), 'trim refresher'];
        yield 'without a page' => [self::whole([self::q('trim', ['refresher' => ['rounds' => 2]])]), 'trim refresher'];
        yield 'for no round' => [self::whole([self::q('trim', ['refresher' => ['pages' => ['care'], 'rounds' => 0]])]), 'trim refresher'];
        yield 'dropped it can be anywhere' => [self::whole([self::q('trim', ['refresher' => null, 'leads' => null])], $free), ''];
        yield 'leads in any order' => [self::whole([self::q('fork', ['leads' => ['1' => ['page' => 'care']]])], $free), 'fork leads'];
        yield 'a page that leads on from a shared screen' => [self::whole([[...$p, 'then' => 'end']], $shared), 'p then'];
        yield 'times on a shared screen' => [self::whole([self::q('trim', ['settings' => ['time' => '5 s']])], $shared, ['settings' => ['time' => '9 s']]), 'a time · trim time'];
        yield 'ways in a mixed section' => [
            self::whole([[...$p, 'then' => 'end'], self::q('fork', ['leads' => ['1' => ['then' => 'end']]]), self::route('end')], [], ['order' => 'mixed']),
            'c order · fork order · p order',
        ];
        yield 'a checkpoint while sections are mixed' => [self::whole([self::q('trim'), self::route('end')], ['order' => 'mixed']), 'blueprint order'];
        yield 'a way back' => [self::whole([self::q('trim'), self::route('trim')]), 'c to'];
        yield 'into the middle of a shared screen' => [
            ['sections' => [['id' => 'a', 'steps' => [self::q('oar'), self::route('count')]], ['id' => 'b', ...$shared, 'steps' => [self::q('trim'), self::q('count')]]]],
            'c to',
        ];
        yield 'to its beginning' => [['sections' => [['id' => 'a', 'steps' => [self::q('oar'), self::route('trim')]], ['id' => 'b', ...$shared, 'steps' => [self::q('trim'), self::q('count')]]]], ''];
        yield 'into the middle of a stretch of two sections' => [
            ['sections' => [['id' => 'a', 'steps' => [self::q('oar'), self::route('c2')]], ['id' => 'b', ...$free, 'steps' => [self::q('trim')]], ['id' => 'c2', ...$free, 'steps' => [self::q('count')]]]],
            'c to',
        ];
        yield 'a step that no way comes to' => [self::whole([['id' => 'p', 'page' => 'reading', 'then' => 'oar'], self::q('trim'), self::q('oar')]), 'trim reach'];
        yield 'while something else is wrong, ways are not looked at' => [self::whole([['id' => 'p', 'page' => 'reading', 'then' => 'oar'], self::q('trim'), self::q('oar'), self::q('nobody')]), 'nobody unknown'];
        yield 'a condition on what comes after' => [
            [
                'sections' => [
                    ['id' => 'a', 'steps' => [self::q('oar'), self::route('end', ['all' => [['outcome' => 'trim', 'is' => ['right']], ['points' => ['section' => 'b'], 'is' => '>', 'value' => '1']]])]],
                    ['id' => 'b', 'steps' => [self::q('trim')]],
                ],
            ],
            'c condition · c condition',
        ];
        yield 'a section of pages alone comes before all the same' => [
            ['sections' => [['id' => 'a', 'steps' => [['id' => 'p', 'page' => 'reading']]], ['id' => 'b', 'steps' => [self::q('oar'), self::route('end', ['points' => ['section' => 'a'], 'is' => '>', 'value' => '1'])]]]],
            '',
        ];
        foreach (
            ['a gap' => [['to' => 2], ['from' => 4]], 'an overlap' => [['to' => 2], ['from' => 2]], 'from above to' => [['from' => 3, 'to' => 1]], 'an open end inside' => [['from' => 1], ['from' => 4]]] as $what => $bands
        ) {
            yield $what => [self::whole([self::q('trim')], ['tallies' => [['name' => 'patience', 'bands' => array_map(static fn (array $band): array => [...$band, 'name' => 'x'], $bands)]]]), 'blueprint bands'];
        }
        foreach (
            [
                'both' => ['points' => '1', 'percent' => '5'],
                'neither' => ['objectives' => []],
                'below 0' => ['points' => '-1'],
                'above 100' => ['percent' => '101'],
                'a minimum, too' => ['points' => '1', 'objectives' => [['objective' => 'Boats']]],
            ] as $what => $pass
        ) {
            yield "a pass mark of $what" => [self::whole([self::q('trim')], ['pass' => $pass]), 'blueprint pass'];
        }
        foreach (['no number' => 'many', 'less than nothing' => '-1', 'more than all' => '100.5'] as $what => $percent) {
            yield "a share wished of $what" => [self::whole([self::q('trim')], ['shares' => [['objective' => 'Boats', 'percent' => $percent]]]), 'blueprint shares'];
        }
        yield 'nothing' => [self::whole([$p, self::q('trim'), self::route('s2'), ['id' => 'd', 'draw' => ['take' => 1, 'pool' => ['objective' => 'Boats'], 'place' => 'mixed']], ['id' => 's2', 'page' => 'second']]), ''];
    }

    /** @param array<string, mixed> $blueprint */
    #[DataProvider('blueprints')]
    public function test_it_is_refused_at_its_place(array $blueprint, string $refusals): void
    {
        try {
            BlueprintReader::read(['v' => 2, 'title' => 'T', ...$blueprint], new ListedBank(self::BANK));
            $found = [];
        } catch (BlueprintRefused $e) {
            $found = array_map(static fn (Refusal $refusal): string => $refusal->where . ' ' . $refusal->subject, $e->refusals);
            sort($found);
        }

        self::assertSame($refusals, implode(' · ', $found));
    }

    public function test_the_first_version_is_read(): void
    {
        $plan = BlueprintReader::read(['steps' => [['draw' => ['take' => 2, 'pool' => ['objective' => 'Boats'], 'points' => '5']], ['question' => 'trim']], 'pass' => ['percent' => '60']], new ListedBank(self::BANK));

        self::assertSame(['1', '2'], array_map(static fn (array $step): string => $step[1]->id, $plan->steps()));
        self::assertSame('14', (string) self::paper($plan)->max());
        self::assertSame('60', (string) $plan->pass?->mark->value);
    }
}
