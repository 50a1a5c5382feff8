<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Question;

use Doctrine\DBAL\Types\Types;
use Doctrine\ORM\Mapping as ORM;

/** What authors keep beside a question, and that is no part of it. */
trait KeptBeside
{
    /** Kept as a house pattern: new questions can be made from it. */
    #[ORM\Column(options: ['default' => false])]
    private bool $isPattern = false;

    /** What its authors note for themselves; no part of the question. */
    #[ORM\Column(type: Types::TEXT, options: ['default' => ''])]
    private string $selfNote = '';

    public function keepAsPattern(bool $keep): void
    {
        $this->isPattern = $keep;
    }

    public function isPattern(): bool
    {
        return $this->isPattern;
    }

    public function noteToSelf(string $text): void
    {
        $this->selfNote = $text;
    }

    public function selfNote(): string
    {
        return $this->selfNote;
    }
}
