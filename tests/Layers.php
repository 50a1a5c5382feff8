<?php

declare(strict_types=1);

namespace Zetema\Tests;

use PHPat\Selector\Selector;
use PHPat\Test\Attributes\TestRule;
use PHPat\Test\Builder\Rule;
use PHPat\Test\PHPat;

/** Arrows point inwards only. PHPStan runs these rules; a room that is not in them fails LayersTest. */
final class Layers
{
    /** Each room of the core, and the rooms that it stands on. */
    public const CORE = [
        'Data' => [],
        'Numbers' => [],
        'Time' => ['Numbers'],
        'Objective' => ['Data'],
        'Question' => ['Data', 'Numbers', 'Time'],
        'Proofreading' => ['Data', 'Numbers', 'Time', 'Question'],
        'Marking' => ['Data', 'Numbers', 'Time', 'Question'],
        'Exchange' => ['Data', 'Numbers', 'Time', 'Question', 'Marking'],
        'Drawing' => ['Data', 'Numbers', 'Time', 'Question'],
        'Blueprint' => ['Data', 'Numbers', 'Time', 'Question', 'Marking', 'Drawing'],
        'Sitting' => ['Data', 'Numbers', 'Time', 'Question', 'Marking', 'Drawing', 'Blueprint'],
        'Statistics' => ['Data', 'Numbers', 'Time', 'Question', 'Marking', 'Drawing', 'Blueprint', 'Sitting'],
    ];
    /** Each room of the application, and the rooms that it stands on. */
    public const APP = [
        'Shared' => [],
        'People' => ['Shared'],
        'Background' => ['Shared', 'People'],
        'Bank' => ['Shared', 'People', 'Background'],
        'Intake' => ['Shared', 'People', 'Background', 'Bank'],
        'Blueprint' => ['Shared', 'People', 'Background', 'Bank'],
        'Admission' => ['Shared', 'People', 'Background', 'Bank', 'Blueprint'],
        'Delivery' => ['Shared', 'People', 'Background', 'Bank', 'Blueprint', 'Admission'],
        'Results' => ['Shared', 'People', 'Background', 'Bank', 'Blueprint', 'Admission', 'Delivery'],
        'Demo' => ['Shared', 'People', 'Background', 'Bank', 'Intake', 'Blueprint', 'Admission', 'Delivery', 'Results'],
        'CommandLine' => ['Shared', 'People', 'Background', 'Bank', 'Intake', 'Blueprint', 'Admission', 'Delivery', 'Results', 'Demo'],
    ];

    #[TestRule]
    public function the_core_knows_no_framework(): Rule
    {
        return self::mustNotKnow('Zetema\Core', ['Zetema\App', 'Symfony', 'Doctrine', 'Psr', 'Monolog']);
    }

    /** @return iterable<string, Rule> */
    #[TestRule]
    public function a_room_of_the_core_knows_what_it_stands_on(): iterable
    {
        yield from self::rooms('Zetema\Core', self::CORE);
    }

    /** @return iterable<string, Rule> */
    #[TestRule]
    public function a_room_of_the_application_knows_what_it_stands_on(): iterable
    {
        yield from self::rooms('Zetema\App', self::APP);
    }

    /**
     * @param array<string, list<string>> $rooms
     *
     * @return iterable<string, Rule>
     */
    private static function rooms(string $within, array $rooms): iterable
    {
        foreach ($rooms as $room => $known) {
            $others = array_values(array_diff(array_keys($rooms), $known, [$room]));
            if ($others !== []) {
                yield $room => self::mustNotKnow("$within\\$room", array_map(static fn (string $other): string => "$within\\$other", $others));
            }
        }
    }

    /**
     * @param non-empty-string $who
     * @param non-empty-list<non-empty-string> $whom
     */
    private static function mustNotKnow(string $who, array $whom): Rule
    {
        return PHPat::rule()->classes(Selector::inNamespace($who))->shouldNotDependOn()->classes(...array_map(Selector::inNamespace(...), $whom))->because('arrows point inwards only');
    }
}
