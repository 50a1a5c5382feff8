<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Qti\Writing;

use Zetema\Core\Exchange\Qti\Writing\Kinds\ClaimWriter;
use Zetema\Core\Exchange\Qti\Writing\Kinds\GapsWriter;
use Zetema\Core\Exchange\Qti\Writing\Kinds\GroupsWriter;
use Zetema\Core\Exchange\Qti\Writing\Kinds\KindWriter;
use Zetema\Core\Exchange\Qti\Writing\Kinds\NumberWriter;
use Zetema\Core\Exchange\Qti\Writing\Kinds\OneWriter;
use Zetema\Core\Exchange\Qti\Writing\Kinds\OrderWriter;
use Zetema\Core\Exchange\Qti\Writing\Kinds\PairsWriter;
use Zetema\Core\Exchange\Qti\Writing\Kinds\PlaceWriter;
use Zetema\Core\Exchange\Qti\Writing\Kinds\RatingWriter;
use Zetema\Core\Exchange\Qti\Writing\Kinds\RegionsWriter;
use Zetema\Core\Exchange\Qti\Writing\Kinds\SeveralWriter;
use Zetema\Core\Exchange\Qti\Writing\Kinds\TextWriter;
use Zetema\Core\Question\Question;

/** One writer a kind. A kind without one is left out of a package, and listed there. */
final readonly class KindWriters
{
    /** @var array<string, KindWriter> by the kind's id */
    private array $writers;

    public function __construct(KindWriter ...$writers)
    {
        $this->writers = array_combine(array_map(static fn (KindWriter $writer): string => $writer::kind()->value, $writers), $writers);
    }

    public static function all(): self
    {
        return new self(
            new OneWriter(),
            new SeveralWriter(),
            new ClaimWriter(),
            new TextWriter(),
            new NumberWriter(),
            new GapsWriter(),
            new PairsWriter(),
            new GroupsWriter(),
            new OrderWriter(),
            new PlaceWriter(),
            new RegionsWriter(),
            new RatingWriter(),
        );
    }

    /** Null where there is none. */
    public function of(Question $question): ?KindWriter
    {
        return $this->writers[$question->kind::id()->value] ?? null;
    }

    /** @return list<string> the kinds that there are writers for */
    public function kinds(): array
    {
        return array_keys($this->writers);
    }
}
