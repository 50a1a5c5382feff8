<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Qti\Items\Kinds;

use Zetema\Core\Exchange\Qti\Marks\Answered;

/** An item with one field that something is typed into: right as a whole, or in a share. */
abstract class TypedItem implements Answered
{
    /** The try that earns most. */
    protected ?int $best = null;

    public function allRight(): ?int
    {
        return $this->best;
    }

    public function partCount(): int
    {
        return 1;
    }

    public function rules(): array
    {
        return ['whole'];
    }

    public function weighed(array $marks): array
    {
        return [];
    }
}
