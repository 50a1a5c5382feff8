<?php

declare(strict_types=1);

namespace Zetema\App\CommandLine\Bench\Sitting;

use Zetema\App\CommandLine\Bench\Bank\LargeBank;

/** One of the hall: what their browser knows. */
final class StormSitter
{
    public string $cookie = '';
    private int $sitting = 0;
    private int $events = 0;

    public function __construct(public readonly int $number)
    {
    }

    /** @return array{string, array<string, mixed>} path and body */
    public function asks(string $act, int $edition): array
    {
        return match ($act) {
            'log in' => ['/api/log-in', ['login' => "crowd$this->number", 'password' => LargeBank::PASSWORD]],
            'begin' => ["/api/editions/$edition/sittings", []],
            'save' => [
                "/api/sittings/$this->sitting/events",
                [
                    'request' => "save-$this->number",
                    'on' => $this->events,
                    'type' => 'saved',
                    'sheet' => 1,
                    'response' => ['choose' => [1 + ($this->number % 4)]],
                ],
            ],
            default => [
                "/api/sittings/$this->sitting/events",
                ['request' => "hand-$this->number", 'on' => $this->events, 'type' => 'handed in'],
            ],
        };
    }

    /** @param array<array-key, mixed> $told */
    public function went(string $head, array $told): void
    {
        if (preg_match('/^set-cookie: ([^;]+)/im', $head, $m) === 1) {
            $this->cookie = $m[1];
        }
        $this->sitting = is_int($told['id'] ?? null) ? $told['id'] : $this->sitting;
        $this->events = is_int($told['events'] ?? null) ? $told['events'] : $this->events;
    }
}
