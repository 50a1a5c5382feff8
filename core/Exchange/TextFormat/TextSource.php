<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\TextFormat;

use Zetema\Core\Exchange\Report;
use Zetema\Core\Exchange\Source;
use Zetema\Core\Question\Settings\BankSettings;

/** A text in the format of our own. */
final readonly class TextSource implements Source
{
    private Reader $reader;

    public function __construct(private string $text)
    {
        $this->reader = new Reader();
    }

    public function questions(): \Generator
    {
        yield from $this->reader->questions($this->text);
    }

    /** What the text has set for its bank as far as it was read. */
    public function bankSettings(): BankSettings
    {
        return $this->reader->bankSettings();
    }

    public function report(): Report
    {
        return new Report($this->reader->outside(), $this->reader->pages(), $this->reader->bank(), $this->reader->bankSettings());
    }
}
