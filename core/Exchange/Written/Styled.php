<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Written;

/** A text with what of it is bold, underlined or in italics; plain text has nothing of it. */
final readonly class Styled
{
    /** @param list<array{int, int, string}> $spans from and to, in bytes, and "b", "u" or "i" */
    public function __construct(public string $text, public array $spans = [])
    {
    }

    public function sub(int $from, ?int $length = null): self
    {
        $to = $length === null ? strlen($this->text) : min(strlen($this->text), $from + $length);
        $spans = [];
        foreach ($this->spans as [$a, $b, $style]) {
            if ($a < $to && $b > $from) {
                $spans[] = [max($a, $from) - $from, min($b, $to) - $from, $style];
            }
        }

        return new self(substr($this->text, $from, $to - $from), $spans);
    }

    public function without(int $from, int $length): self
    {
        return $this->sub(0, $from)->followedBy($this->sub($from + $length));
    }

    public function followedBy(self $other): self
    {
        $by = strlen($this->text);

        return new self($this->text . $other->text, [
            ...$this->spans,
            ...array_map(static fn (array $s): array => [$s[0] + $by, $s[1] + $by, $s[2]], $other->spans),
        ]);
    }

    public function trimmed(): self
    {
        $start = strlen($this->text) - strlen(ltrim($this->text));

        return $start === 0 && rtrim($this->text) === $this->text ? $this : $this->sub($start, strlen(trim($this->text)));
    }

    public function isEmpty(): bool
    {
        return trim($this->text) === '';
    }

    /** Whether all of it is bold, or all of it underlined; spaces aside. */
    public function isWhollyMarked(): bool
    {
        return array_filter(['b', 'u'], fn (string $style): bool => !$this->isEmpty() && $this->outside($style) === '') !== [];
    }

    /** In the small Markdown: bold is strong, underlined and italic are emphasis; not what covers all of it, where marks are dropped. */
    public function markdown(bool $dropWhole = false): string
    {
        if ($this->spans === []) {
            return Characters::tidy($this->text);
        }
        $opens = $closes = [];
        foreach (['b' => '**', 'u' => '*'] as $style => $sign) {
            $styles = $style === 'u' ? ['u', 'i'] : ['b'];
            if ($dropWhole && ($style === 'b' || $this->outside('u') === '') && $this->outside($style) === '') {
                continue;
            }
            foreach ($this->merged($styles) as [$from, $to]) {
                $opens[$from][] = $sign;
                $closes[$to][] = $sign;
            }
        }
        $places = array_unique([...array_keys($opens), ...array_keys($closes)]);
        sort($places);
        $out = '';
        $at = 0;
        foreach ($places as $offset) {
            $out .=
                substr($this->text, $at, $offset - $at) .
                implode('', array_reverse($closes[$offset] ?? [])) .
                implode('', $opens[$offset] ?? []);
            $at = $offset;
        }

        return Characters::tidy($out . substr($this->text, $at));
    }

    /** What has letters or signs outside a style. */
    private function outside(string $style): string
    {
        $rest = $this->text;
        foreach ($this->spans as [$from, $to, $of]) {
            $rest = $of === $style ? substr_replace($rest, str_repeat(' ', $to - $from), $from, $to - $from) : $rest;
        }

        return trim($rest);
    }

    /**
     * @param list<string> $styles
     *
     * @return list<array{int, int}> runs, without spaces at their ends
     */
    private function merged(array $styles): array
    {
        $spans = array_values(array_filter($this->spans, static fn (array $s): bool => in_array($s[2], $styles, true)));
        usort($spans, static fn (array $a, array $b): int => $a[0] <=> $b[0]);
        $runs = [];
        foreach ($spans as [$from, $to]) {
            $last = count($runs) - 1;
            if (
                $last >= 0 &&
                trim(substr($this->text, $runs[$last][1], max(0, $from - $runs[$last][1]))) === '' &&
                !str_contains(substr($this->text, $runs[$last][1], max(0, $from - $runs[$last][1])), "\n")
            ) {
                $runs[$last][1] = max($runs[$last][1], $to);
            } else {
                $runs[] = [$from, $to];
            }
        }
        $tight = [];
        foreach ($runs as [$from, $to]) {
            $inner = substr($this->text, $from, $to - $from);
            $from += strlen($inner) - strlen(ltrim($inner));
            if (trim($inner) !== '') {
                $tight[] = [$from, $from + strlen(trim($inner))];
            }
        }

        return $tight;
    }
}
