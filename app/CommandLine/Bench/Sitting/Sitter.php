<?php

declare(strict_types=1);

namespace Zetema\App\CommandLine\Bench\Sitting;

use Zetema\App\CommandLine\Bench\Server\BenchClient;

/** A candidate of the crowd: saves another choice each time, and goes on after every fifth. */
final class Sitter
{
    private int $done = 0;
    /** @var array{string, string, array<string, mixed>}|null what was sent and is not acknowledged yet */
    private ?array $open = null;
    /** @var list<string> ids of the requests that were acknowledged */
    public array $acknowledged = [];

    /** @param array<array-key, mixed> $sitting as it was told last */
    public function __construct(public readonly BenchClient $client, private array $sitting)
    {
    }

    /**
     * @return array{string, string, array<string, mixed>} method, path and body of what is done next; what was not acknowledged is sent
     *   again
     */
    public function next(): array
    {
        return $this->open ??= $this->another();
    }

    /** @return array{string, string, array<string, mixed>} */
    private function another(): array
    {
        ++$this->done;
        $questions = is_array($this->sitting['questions'] ?? null) ? $this->sitting['questions'] : [];
        $n = is_array($questions[0] ?? null) ? $questions[0]['n'] ?? 1 : 1;
        $event =
            $this->done % 5 === 0
                ? ['type' => 'went on']
                : ['type' => 'saved', 'sheet' => $n, 'response' => ['choose' => [1 + ($this->done % 4)]]];
        $id = is_int($this->sitting['id'] ?? null) ? $this->sitting['id'] : 0;

        return [
            'POST',
            "/api/sittings/$id/events",
            ['request' => "r-$id-" . $this->done, 'on' => $this->sitting['events'] ?? 0, ...$event],
        ];
    }

    /**
     * @param array<array-key, mixed> $sitting
     *
     * @return array<array-key, mixed>
     */
    public function went(array $sitting): array
    {
        $request = $this->open[2]['request'] ?? '';
        $this->acknowledged[] = is_string($request) ? $request : '';
        $this->open = null;

        return $this->sitting = $sitting;
    }
}
