<?php

declare(strict_types=1);

namespace Zetema\Tests\Core;

use PHPUnit\Framework\TestCase;
use Zetema\Tests\Layers;

/** Every room has its rule of what it stands on. */
final class LayersTest extends TestCase
{
    public function test_every_room_has_its_rule(): void
    {
        foreach (['core' => Layers::CORE, 'app' => Layers::APP] as $folder => $rules) {
            $folders = glob(dirname(__DIR__, 2) . "/$folder/*", GLOB_ONLYDIR);
            $rooms = array_map(basename(...), $folders === false ? [] : $folders);
            $ruled = array_keys($rules);
            sort($ruled);

            self::assertSame($rooms, $ruled);
        }
    }

    public function test_no_room_stands_on_one_that_stands_on_it(): void
    {
        foreach ([Layers::CORE, Layers::APP] as $rules) {
            foreach ($rules as $room => $known) {
                foreach ($known as $below) {
                    self::assertSame([], array_values(array_diff($rules[$below] ?? [], $known)), "$room knows $below, and all that this stands on");
                }
            }
        }
    }
}
