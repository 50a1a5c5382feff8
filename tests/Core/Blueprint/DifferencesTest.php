<?php

declare(strict_types=1);

namespace Zetema\Tests\Core\Blueprint;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Zetema\Core\Blueprint\Differing\Difference;
use Zetema\Core\Blueprint\Differing\Differences;
use Zetema\Core\Data\Fields;

/** An author is told in words what another edition would bring. */
final class DifferencesTest extends TestCase
{
    private const DOCUMENT = [
        'v' => 2,
        'title' => 'Paper',
        'settings' => ['points' => '5'],
        'rules' => ['time' => '25 min', 'moving' => 'any order'],
        'pass' => ['percent' => '60', 'objectives' => [['objective' => 'Hive', 'percent' => '40']]],
        'tallies' => [['name' => 'calm', 'bands' => [['to' => 4, 'name' => 'hasty'], ['from' => 5, 'name' => 'steady', 'page' => 'well']]]],
        'closing' => ['passed' => 'well'],
        'sections' => [
            ['id' => 'a', 'title' => 'First', 'steps' => [['id' => '1', 'page' => 'welcome'], ['id' => '2', 'question' => 'eggs', 'settings' => ['attempts' => '2']]]],
            [
                'id' => 'b',
                'title' => 'Second',
                'steps' => [['id' => '3', 'draw' => ['take' => 2, 'pool' => ['objective' => 'Hive', 'kinds' => ['one']]]], ['id' => '4', 'checkpoint' => ['routes' => [], 'otherwise' => 'end']]],
            ],
        ],
    ];

    /** @return iterable<string, array{list<array{list<int|string>, mixed}>, list<string>}> what is put where, null for taken out; and what is told of it */
    public static function changes(): iterable
    {
        yield 'nothing' => [[], []];
        yield 'the same, written in another order' => [[[['rules'], ['moving' => 'any order', 'time' => '25 min']]], []];
        yield 'its title' => [[[['title'], 'Papers']], ['title · title: Paper → Papers']];
        yield 'a rule, one more and one less' => [[[['rules'], ['time' => '30 min', 'worth' => true]]], ['rule · time: 25 min → 30 min', 'rule · worth: – → yes', 'rule · moving: any order → –']];
        yield 'a setting of all' => [[[['settings', 'points'], '10']], ['setting · points: 5 → 10']];
        yield 'the pass mark' => [[[['pass', 'percent'], '70']], ['pass mark · pass: 60 % → 70 %']];
        yield 'no pass mark' => [[[['pass'], null]], ['pass mark · pass: 60 % → –', 'minimum · Hive: 40 % → –']];
        yield 'a minimum in points' => [[[['pass', 'objectives', 0], ['objective' => 'Hive', 'points' => '4']]], ['minimum · Hive: 40 % → 4 points']];
        yield 'a band' => [[[['tallies', 0, 'bands', 0, 'to'], 5], [['tallies', 0, 'bands', 1, 'from'], 6]], ['tally · calm: hasty  to 4, steady 5 to (page “well”) → hasty  to 5, steady 6 to (page “well”)']];
        yield 'a closing page' => [[[['closing', 'passed'], 'done']], ['other · closing: – → –']];
        yield 'a section’s title, time and order' => [
            [[['sections', 0, 'title'], 'One'], [['sections', 0, 'time'], '5 min'], [['sections', 0, 'order'], 'mixed']],
            ['section · section: First → One', 'rule in “One” · time: – → 5 min', 'order in “One” · steps: as written → mixed'],
        ];
        yield 'a step more and one less' => [[[['sections', 0, 'steps', 0], ['id' => '9', 'question' => 'wax']]], ['step · step: – → question “wax”', 'step · step: page “welcome” → –']];
        yield 'how many are drawn' => [[[['sections', 1, 'steps', 0, 'draw', 'take'], 3]], ['step · step: 2 of Hive: one → 3 of Hive: one']];
        yield 'what is drawn, where words tell it apart no more' => [[[['sections', 1, 'steps', 0, 'draw', 'pool', 'tags'], ['exam']]], ['other in 2 of Hive: one · draw: – → –']];
        yield 'a step’s attempts, and whether it must be answered' => [
            [[['sections', 0, 'steps', 1, 'settings', 'attempts'], '3'], [['sections', 0, 'steps', 1, 'rules'], ['mustAnswer' => true]]],
            ['setting in question “eggs” · attempts: 2 → 3', 'rule in question “eggs” · mustAnswer: – → yes'],
        ];
        yield 'where a checkpoint leads' => [[[['sections', 1, 'steps', 1, 'checkpoint', 'otherwise'], 'next']], ['other in checkpoint · checkpoint: – → –']];
        yield 'steps in another order' => [[[['sections', 0, 'steps'], [self::DOCUMENT['sections'][0]['steps'][1], self::DOCUMENT['sections'][0]['steps'][0]]]], ['order · steps: – → –']];
        yield 'a section less' => [[[['sections'], [self::DOCUMENT['sections'][0]]]], ['section · section: Second → –', 'step · step: 2 of Hive: one → –', 'step · step: checkpoint → –']];
    }

    /**
     * @param list<array{list<int|string>, mixed}> $changes
     * @param list<string> $told
     */
    #[DataProvider('changes')]
    public function test_what_differs_is_told_and_nothing_else(array $changes, array $told): void
    {
        $new = self::DOCUMENT;
        foreach ($changes as [$path, $value]) {
            $new = self::put($new, $path, $value);
        }
        $words = static fn (Difference $d): string => sprintf('%s%s · %s: %s → %s', $d->sort->value, $d->where === null ? '' : " in $d->where", $d->what, $d->old ?? '–', $d->new ?? '–');
        self::assertSame($told, array_map($words, Differences::between(Fields::of(self::DOCUMENT), Fields::of($new))));
    }

    /**
     * @param array<array-key, mixed> $document
     * @param list<int|string> $path
     *
     * @return array<array-key, mixed>
     */
    private static function put(array $document, array $path, mixed $value): array
    {
        $key = array_shift($path);
        if ($path === [] && $value === null) {
            unset($document[$key]);
        } else {
            $document[$key] = $path === [] ? $value : self::put(is_array($document[$key] ?? null) ? $document[$key] : [], $path, $value);
        }

        return $document;
    }
}
