<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\TypedPaper;

use Zetema\Core\Exchange\Aside;
use Zetema\Core\Exchange\Encoding;
use Zetema\Core\Exchange\Found;
use Zetema\Core\Exchange\Report;
use Zetema\Core\Exchange\Source;
use Zetema\Core\Exchange\TypedPaper\Keys\KeyList;
use Zetema\Core\Exchange\TypedPaper\Keys\KeyLists;
use Zetema\Core\Exchange\TypedPaper\Lines\Furniture;
use Zetema\Core\Exchange\TypedPaper\Lines\HtmlLines;
use Zetema\Core\Exchange\TypedPaper\Lines\PaperLine;
use Zetema\Core\Exchange\TypedPaper\Lines\PlainLines;
use Zetema\Core\Exchange\Written\Characters;
use Zetema\Core\Question\Problem;

/** A typed paper: what people have in their documents, saved as text or as the clipboard's HTML. */
final class PaperSource implements Source
{
    /** Lines of a paper; nobody sets a longer one. */
    public const MOST_LINES = 60_000;

    /** Lines, and bytes, of one question. */
    private const LONGEST = [2_000, 100_000];

    private readonly Encoding $encoding;
    private readonly string $text;
    private readonly bool $isHtml;
    /** @var list<Problem> */
    private array $problems = [];
    /** @var list<Aside> */
    private array $aside = [];

    /**
     * @param Encoding|null $encoding null: as it looks
     * @param bool|null $isHtml null: if it begins with a tag
     */
    public function __construct(string $bytes, ?Encoding $encoding = null, ?bool $isHtml = null)
    {
        $this->encoding = $encoding ?? Encoding::of($bytes);
        $this->text = $this->encoding->decode($bytes);
        $this->isHtml = $isHtml ?? preg_match('/^\s*<(?:!doctype|!--|[a-z][a-z0-9]*[\s>\/])/i', $this->text) === 1;
    }

    public function questions(): \Generator
    {
        $lineCount = Characters::lineEnds($this->text) + 1;
        if ($lineCount > self::MOST_LINES) {
            $this->problems[] = new Problem(
                1,
                1,
                sprintf('has %s lines; up to %s are read at once', number_format($lineCount), number_format(self::MOST_LINES)),
            );

            return;
        }
        [$lines, $furniture] = Furniture::apart($this->isHtml ? HtmlLines::of($this->text) : PlainLines::of($this->text));
        $segmenter = new Segmenter($lines);
        $parts = $segmenter->parts();
        $this->aside = [
            ...$segmenter->aside(),
            ...array_map(static fn (PaperLine $l): Aside => new Aside($l->number, Characters::tidy($l->text())), $furniture),
        ];
        array_push($this->aside, ...(new Headings())->spread($parts));
        usort($this->aside, static fn (Aside $a, Aside $b): int => $a->line <=> $b->line);
        $this->problems = KeyLists::spread($parts);
        $drafts = array_values(array_filter($parts, static fn (Draft|Heading|KeyList $part): bool => $part instanceof Draft));
        if ($drafts === []) {
            $this->problems[] = new Problem(1, 1, 'no question was found here');
        }
        $raw = $this->isHtml ? [] : Characters::lines($this->text);
        $controls = self::controls($this->text);
        foreach ($drafts as $draft) {
            yield $this->found($draft, $raw, $controls);
        }
        foreach ($controls as $line => $_) {
            $this->problems[] = new Problem($line, 1, self::controlWords());
        }
    }

    public function report(): Report
    {
        return new Report($this->problems, aside: $this->aside, encoding: $this->encoding);
    }

    /**
     * @param array<string> $raw lines as typed; none for HTML
     * @param array<int, true> $controls lines with characters that no text has; those of this question are taken off
     */
    private function found(Draft $draft, array $raw, array &$controls): Found
    {
        [$from, $to] = [$draft->opening->number, $draft->lastLine()];
        $isLong =
            count($draft->body) > self::LONGEST[0] ||
            array_sum(array_map(static fn (BodyLine $b): int => strlen($b->rest->text), $draft->body)) > self::LONGEST[1];
        $composed = $isLong ? null : new Composition($draft);
        $problems = $composed->problems ?? [
            new Problem(
                $from,
                1,
                sprintf(
                    'has more than %s lines or %s characters; no question has',
                    number_format(self::LONGEST[0]),
                    number_format(self::LONGEST[1]),
                ),
            ),
        ];
        foreach (array_keys($controls) as $line) {
            if ($line >= $from && $line <= $to) {
                $problems[] = new Problem($line, 1, self::controlWords());
                unset($controls[$line]);
            }
        }
        usort($problems, static fn (Problem $a, Problem $b): int => $a->line <=> $b->line);
        $kept = '';
        if ($problems !== []) {
            $kept =
                $raw === []
                    ? implode("\n", array_map(static fn (BodyLine $b): string => Characters::tidy($b->line->text()), $draft->body))
                    : implode("\n", array_slice($raw, $from - 1, $to - $from + 1));
        }

        return new Found($from, $to, $problems === [] ? $composed?->question : null, $problems, $composed?->why() ?? '', $kept);
    }

    /** @return array<int, true> lines that have control characters */
    private static function controls(string $text): array
    {
        if (!Characters::hasControl($text)) {
            return [];
        }
        $lines = [];
        foreach (Characters::lines($text) as $i => $line) {
            if (Characters::hasControl($line)) {
                $lines[$i + 1] = true;
            }
        }

        return $lines;
    }

    private static function controlWords(): string
    {
        return 'has a control character, which no text has; was it saved in another encoding?';
    }
}
