<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Qti\Items\Kinds;

use Zetema\Core\Exchange\Qti\Marks\Answered;
use Zetema\Core\Exchange\Qti\Marks\Marking;
use Zetema\Core\Exchange\Qti\Marks\Tried;
use Zetema\Core\Exchange\Written\QuestionLines;

/** A scale that nobody judges. */
final readonly class RatingItem implements Answered
{
    public function __construct(private string $stem, private int $from, private int $to, private int $line)
    {
    }

    public function tries(): array
    {
        return [new Tried([], null)];
    }

    public function settle(array $marks): void
    {
    }

    public function allRight(): null
    {
        return null;
    }

    public function parts(int $try): array
    {
        return [0, 0];
    }

    public function partCount(): int
    {
        return 0;
    }

    public function rules(): array
    {
        return [];
    }

    public function weighed(array $marks): array
    {
        return [];
    }

    public function lines(Marking $marking, array $says = []): QuestionLines
    {
        $lines = new QuestionLines('rating', $this->stem, $this->line);
        $lines->add('scale', sprintf('%d to %d', $this->from, $this->to));

        return $lines;
    }
}
