<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\TypedPaper;

use Zetema\Core\Exchange\TypedPaper\Lines\PaperLine;

/** The lines of one question of a paper, before it is known what they come to. */
final class Draft
{
    /** @var list<BodyLine> */
    public array $body = [];
    /** @var list<string> */
    public array $objective = [];
    public ?string $each = null;
    /** @var array{string, int}|null the key that a list holds for it, and its line */
    public ?array $listed = null;
    /** Why a list of keys cannot serve it. */
    public ?string $listProblem = null;
    /** Whether nothing but its stem was read so far. */
    public bool $isAtStem = true;
    public bool $hasChoices = false;
    public bool $hasAnswer = false;
    /** @var array{string, int}|null style and next number of numbers that stand in the stem */
    public ?array $inner = null;
    /** The list in HTML whose items are its choices. */
    public ?int $choiceList = null;
    public int $numbered = 0;
    /** Whether something that is none of it stands below it. */
    public bool $isOver = false;
    public bool $rightsBegan = false;
    public bool $hasRows = false;
    /** @var list<string> */
    public array $why = [];

    public function __construct(
        public readonly PaperLine $opening,
        public readonly ?int $number,
        public readonly bool $isMatching,
        public readonly bool $isOrder,
        public readonly ?string $held = null,
    ) {
    }

    public function add(BodyLine $line): void
    {
        $this->body[] = $line;
        $this->isAtStem = $this->isAtStem && in_array($line->is, ['stem', 'more', 'number'], true);
    }

    public function last(): ?BodyLine
    {
        return $this->body === [] ? null : $this->body[count($this->body) - 1];
    }

    public function lastLine(): int
    {
        return $this->last()->line->number ?? $this->opening->number;
    }
}
