<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Table;

use Zetema\Core\Exchange\Written\TrueOrFalse;

/** Adds a row's choices to its question, with what is said after each, and what is said after an outcome. */
final readonly class RowFeedback
{
    /** @param array<int, string> $says by the place of the choice, from 1 */
    public function __construct(
        private RowQuestion $row,
        private string $feedback,
        private string $right,
        private string $wrong,
        private array $says,
    ) {
    }

    public function add(): void
    {
        $lines = $this->row->lines ?? throw new \LogicException('the row is a question');
        [$general, $lettered] = $this->lettered();
        $says = $lettered + $this->says;
        $isClaim = in_array($lines->opening, ['true', 'false'], true);
        $right = [$this->right, $general];
        $wrong = [$this->wrong, $general];
        foreach ($this->row->choices as [$place, $text, $isKey]) {
            $said = $says[$place] ?? '';
            if ($isClaim) {
                TrueOrFalse::of($text) === ($lines->opening === 'true') ? ($right[] = $said) : ($wrong[] = $said);
                continue;
            }
            $lines->add($isKey ? 'yes' : 'no', $text, $said === '' ? [] : [$lines->line('says', $said)]);
        }
        foreach (['right' => $right, 'wrong' => $wrong] as $outcome => $texts) {
            $text = implode("\n", array_filter($texts, static fn (string $one): bool => $one !== ''));
            if ($text !== '') {
                $lines->add('if ' . $outcome, $text);
            }
        }
    }

    /** @return array{string, array<int, string>} feedback for the question; or by choice, where every line begins with a choice's letter */
    private function lettered(): array
    {
        $says = [];
        $places = array_column($this->row->choices, 0);
        foreach ($this->feedback === '' ? [] : explode("\n", $this->feedback) as $line) {
            if (preg_match('/^([A-Za-z])\s*[:)]\s*(\S.*)$/u', $line, $m) !== 1 || !in_array(ord(strtoupper($m[1])) - 64, $places, true)) {
                return [$this->feedback, []];
            }
            $says[ord(strtoupper($m[1])) - 64] = $m[2];
        }

        return ['', $says];
    }
}
