<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\Run;

use Zetema\Core\Sitting\Event\Clock;
use Zetema\Core\Sitting\State\Assumed;

/** What somebody asks to do. Accepted, it becomes an event. */
final readonly class Act
{
    public const START = 'start';
    public const SAVE = 'save';
    public const CHECK = 'check';
    public const HINT = 'hint';
    public const GO_ON = 'go on';
    public const GO_TO = 'go to';
    public const FLAG = 'flag';
    public const HAND_IN = 'hand in';
    public const GIVE_TIME = 'give time';
    public const CLOSE = 'close';
    /** A rehearsal begins in the middle. */
    public const PLACE = 'place';

    /**
     * @param string $do one of those above
     * @param int $at in microseconds
     * @param string|null $question its name
     * @param string|null $step of a page
     * @param bool $says whether a response is given with it
     * @param mixed $response as it came, not read yet
     * @param int $time microseconds that are given
     * @param Assumed|null $assumed what is taken to have been reached before a step
     */
    public function __construct(
        public string $do,
        public int $at,
        public ?string $question = null,
        public ?string $step = null,
        public bool $says = false,
        public mixed $response = null,
        public bool $on = false,
        public int $time = 0,
        public ?Clock $clock = null,
        public ?Assumed $assumed = null,
    ) {
    }
}
