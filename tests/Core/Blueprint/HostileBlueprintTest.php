<?php

declare(strict_types=1);

namespace Zetema\Tests\Core\Blueprint;

use Zetema\Core\Blueprint\Dealing\BlueprintDealer;
use Zetema\Core\Blueprint\Reading\BlueprintReader;
use Zetema\Core\Blueprint\Reading\BlueprintRefused;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Drawing\Chance;
use Zetema\Core\Drawing\Proof\CannotDeal;
use Zetema\Core\Sitting\Outside\SittingFile;
use Zetema\Core\Sitting\Outside\SittingRun;
use Zetema\Core\Sitting\Paper\PaperMaker;
use Zetema\Tests\Core\Sitting\ListedBank;
use Zetema\Tests\Core\Sitting\SatCase;

/** Whatever stands where something else belongs, a blueprint is read or refused with reasons, and a sitting told or refused: nothing breaks. */
final class HostileBlueprintTest extends SatCase
{
    private const JUNK = [
        null,
        true,
        0,
        -1,
        7,
        1.5,
        '',
        'x',
        'end',
        'next',
        'trim',
        'a',
        '1',
        '-5',
        'none',
        '60 s',
        [],
        ['x'],
        [[]],
        ['a' => 1],
        [['id' => 'trim']],
        ['page' => 'reading'],
        ['points' => 'all', 'is' => '>', 'value' => '1'],
        [null, 5],
    ];
    private const EVENTS = '0 start; 1 save trim {"choose":[1]}; 2 check trim; 3 hint trim; 4 go on; 5 go to oar; 6 flag oar; 7 give time 5; 70 go on; 90 hand in';

    public function test_a_blueprint_is_read_or_refused_with_reasons(): void
    {
        preg_match('/```json\n(.*?)\n```/s', (string) file_get_contents(__DIR__ . '/../../../docs/formats/sitting.md'), $example);
        $document = json_decode($example[1] ?? '', true);
        $bank = new ListedBank(self::BANK);
        $chance = new Chance(2026);
        $read = $refused = 0;
        for ($i = 0; $i < 4_000; ++$i) {
            $broken = self::broken($document, $chance);
            for ($more = $chance->below(3); $more > 0; --$more) {
                $broken = self::broken($broken, $chance);
            }
            try {
                $plan = BlueprintReader::read($broken, $bank);
                $paper = (new PaperMaker($plan, static fn (string $name): array => [$bank->questions[$name], $bank->settings]))->paper((new BlueprintDealer($plan, $bank->stock()))->deal($i));
                SittingRun::result($paper, SittingFile::read(['now' => '999', 'events' => self::events(self::EVENTS)]));
                ++$read;
            } catch (BlueprintRefused $e) {
                ++$refused;
                self::assertNotSame('', $e->refusals[0]->message);
            } catch (CannotDeal) {
                ++$read;
            }
        }

        self::assertGreaterThan(200, min($read, $refused));
    }

    public function test_events_are_taken_or_refused_and_a_sitting_of_another_shape_is_told(): void
    {
        $paper = self::paper(self::plan([self::q('trim', ['settings' => ['time' => '1 min']]), self::q('oar'), ['id' => 'p', 'page' => 'reading']]));
        $sitting = ['id' => 'a', 'seed' => 3, 'now' => '99', 'factor' => '1.5', 'until' => '95', 'events' => self::events(self::EVENTS)];
        $chance = new Chance(11);
        $told = $malformed = 0;
        for ($i = 0; $i < 3_000; ++$i) {
            try {
                SittingRun::result($paper, SittingFile::read(self::broken($sitting, $chance)));
                ++$told;
            } catch (Malformed $e) {
                self::assertNotSame('', $e->getMessage());
                ++$malformed;
            }
        }

        self::assertGreaterThan(100, min($told, $malformed));
    }

    /** The document with something else in one place. */
    private static function broken(mixed $document, Chance $chance): mixed
    {
        if (!is_array($document) || $document === [] || $chance->below(8) === 0) {
            return self::JUNK[$chance->below(count(self::JUNK))];
        }
        $keys = array_keys($document);
        $key = $keys[$chance->below(count($keys))];
        if ($chance->below(12) === 0) {
            unset($document[$key]);

            return $document;
        }
        $document[$key] = self::broken($document[$key], $chance);

        return $document;
    }
}
