<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\TypedPaper\Lines;

use Zetema\Core\Exchange\Written\Characters;
use Zetema\Core\Exchange\Written\Styled;

/** The lines of a paper in HTML, as documents put it on the clipboard: blocks are lines, cells of a row are separated by tabs. */
final class HtmlLines
{
    private const BLOCKS = [
        'p',
        'div',
        'li',
        'ul',
        'ol',
        'h1',
        'h2',
        'h3',
        'h4',
        'h5',
        'h6',
        'tr',
        'table',
        'tbody',
        'thead',
        'tfoot',
        'section',
        'article',
        'header',
        'footer',
        'main',
        'body',
        'html',
        'blockquote',
        'pre',
        'dl',
        'dt',
        'dd',
        'hr',
        'form',
        'figure',
        'caption',
    ];
    private const ENDLESS = ['br', 'img', 'hr', 'meta', 'link', 'input', 'col', 'wbr', 'base', 'area', 'source'];

    /** Elements whose text is none of the paper's. */
    private const SILENT = ['script', 'style', 'head', 'title', 'template'];
    private const LONGEST_TAG = 20_000;
    private const DEEPEST = 300;

    /** @var list<PaperLine> */
    private array $lines = [];
    private Styled $open;
    private int $openedAt = 0;
    private bool $isBlank = true;
    private bool $opensParagraph = false;
    private bool $hasPicture = false;
    private int $rank = 0;
    private bool $isRow = false;
    private ?ListItem $item = null;
    /**
     * @var list<array{string, StyleState, int}> open elements with what counts within them and how many lines there were when they opened
     */
    private array $elements = [];
    /** @var list<array{sort: string, next: int, id: int}> open lists */
    private array $lists = [];
    private int $items = 0;
    private int $made = 0;

    private function __construct()
    {
        $this->open = new Styled('');
    }

    /** @return list<PaperLine> */
    public static function of(string $html): array
    {
        $reader = new self();
        $at = 0;
        $number = 1;
        $length = strlen($html);
        while ($at < $length) {
            $piece = $html[$at] === '<' ? $reader->takeTag($html, $at) : null;
            if ($piece === null) {
                preg_match('/<?(?:[^<]|<(?![A-Za-z\/!?]))*+/A', $html, $m, 0, $at);
                $piece = ($m[0] ?? '') === '' ? $html[$at] : $m[0];
                $reader->text($piece, $number);
            }
            $number += Characters::lineEnds($piece);
            $at += strlen($piece);
        }
        $reader->endLine();

        return $reader->lines;
    }

    /** Takes the tag, comment or script at a place; null if there is none. */
    private function takeTag(string $html, int $at): ?string
    {
        $until = static function (string $end, int $from) use ($html, $at): string {
            $found = stripos($html, $end, min(strlen($html), $from));

            return substr($html, $at, $found === false ? null : $found + strlen($end) - $at);
        };
        if (substr_compare($html, '<!--', $at, 4) === 0) {
            return $until('-->', $at + 4);
        }
        $window = substr($html, $at, self::LONGEST_TAG);
        if (preg_match('/^<[!?][^>]*>/', $window, $m) === 1) {
            return $m[0];
        }
        if (preg_match('/^<(\/?)([A-Za-z][A-Za-z0-9:]*)((?:[^>"\']|"[^"]*"|\'[^\']*\')*+)>/', $window, $m) !== 1) {
            return null;
        }
        $name = strtolower($m[2]);
        if ($m[1] === '' && in_array($name, self::SILENT, true)) {
            $silent = $until('</' . $name, $at + strlen($m[0]));

            return $silent . substr($html, $at + strlen($silent), strspn($html, " \t\r\n>", $at + strlen($silent)));
        }
        $this->tag($name, $m[1] === '/', $m[3]);

        return $m[0];
    }

    private function text(string $raw, int $number): void
    {
        $text = Characters::plain(preg_replace('/[ \t\r\n\f]+/', ' ', html_entity_decode($raw, ENT_QUOTES | ENT_HTML5, 'UTF-8')) ?? '');
        if (trim($this->open->text) === '' || str_ends_with($this->open->text, ' ')) {
            $text = preg_match('/^[ \t\r\n\f]/', $raw) === 1 ? substr($text, 1) : $text;
        }
        if ($text === '') {
            return;
        }
        if (trim($this->open->text) === '' && trim($text) !== '') {
            $this->openedAt = $number + Characters::lineEnds(substr($raw, 0, strlen($raw) - strlen(ltrim($raw))));
        }
        $state = $this->state();
        $spans = [];
        foreach (['b' => $state->bold, 'u' => $state->underlined, 'i' => $state->italic] as $style => $isOn) {
            if ($isOn) {
                $spans[] = [0, strlen($text), $style];
            }
        }
        $this->open = $this->open->followedBy(new Styled($text, $spans));
    }

    private function tag(string $name, bool $closes, string $attributes): void
    {
        if ($name === 'br' || $name === 'hr') {
            if (!$this->endLine()) {
                $this->isBlank = true;
            }

            return;
        }
        if ($name === 'img') {
            $this->hasPicture = true;

            return;
        }
        if (in_array($name, ['td', 'th'], true)) {
            if (!$closes && trim($this->open->text) !== '') {
                $this->open = $this->open->followedBy(new Styled("\t"));
            }
            $closes ? $this->close($name) : ($this->elements[] = [$name, $this->state()->with($name, $attributes), count($this->lines)]);

            return;
        }
        if (in_array($name, self::BLOCKS, true)) {
            // Blocks within a cell do not end the row's line.
            $isInRow = $this->isRow && !in_array($name, ['tr', 'table', 'tbody', 'thead', 'tfoot'], true);
            $isInRow ? ($this->open = $this->open->followedBy(new Styled(' '))) : $this->endLine();
        }
        if ($closes) {
            $this->close($name);

            return;
        }
        if (in_array($name, self::ENDLESS, true) || str_ends_with($attributes, '/')) {
            return;
        }
        if (count($this->elements) > self::DEEPEST) {
            return;
        }
        $this->begins($name, $attributes);
        $this->elements[] = [$name, $this->state()->with($name, $attributes), count($this->lines)];
    }

    private function begins(string $name, string $attributes): void
    {
        match (true) {
            $name === 'p' => ($this->opensParagraph = true),
            $name === 'tr' => ($this->isRow = true),
            preg_match('/^h[1-6]$/', $name) === 1 => ($this->rank = (int) $name[1]),
            $name === 'ol' || $name === 'ul' => ($this->lists[] = [
                'sort' => self::sort($name, $attributes),
                'next' => preg_match('/\bstart\s*=\s*["\']?(\d{1,3})/i', $attributes, $m) === 1 ? (int) $m[1] : 1,
                'id' => ++$this->made,
            ]),
            $name === 'li' => $this->beginItem(),
            default => null,
        };
    }

    private function beginItem(): void
    {
        $last = count($this->lists) - 1;
        ++$this->items;
        if ($last < 0) {
            $this->item = new ListItem('bullet', 1, 0, 1);

            return;
        }
        ['sort' => $sort, 'next' => $place, 'id' => $id] = $this->lists[$last];
        $this->lists[$last] = ['sort' => $sort, 'next' => $place + 1, 'id' => $id];
        $this->item = new ListItem($sort, $place, $id, $last + 1);
    }

    private static function sort(string $name, string $attributes): string
    {
        $isLettered =
            preg_match('/\btype\s*=\s*["\']?[aA](?![A-Za-z])|list-style(?:-type)?\s*:[^;"\']*(?:alpha|latin)/i', $attributes) === 1;

        return $name === 'ul' ? 'bullet' : ($isLettered ? 'letter' : 'number');
    }

    private function close(string $name): void
    {
        $i = count($this->elements) - 1;
        while ($i >= 0 && $this->elements[$i][0] !== $name) {
            --$i;
        }
        if ($i < 0) {
            return;
        }
        $isEmpty = $this->elements[$i][2] === count($this->lines);
        array_splice($this->elements, $i);
        match (true) {
            in_array($name, ['ol', 'ul'], true) => array_pop($this->lists),
            $name === 'li' => ($this->items = max(0, $this->items - 1)),
            $name === 'tr' => ($this->isRow = false),
            default => null,
        };
        if ($isEmpty && !$this->isRow && in_array($name, ['p', 'div', 'h1', 'h2', 'h3', 'h4', 'h5', 'h6'], true)) {
            $this->isBlank = true;
        }
        $this->opensParagraph = $this->opensParagraph && $name !== 'p';
        $this->rank = preg_match('/^h[1-6]$/', $name) === 1 ? 0 : $this->rank;
    }

    /** Whether there was one. */
    private function endLine(): bool
    {
        $styled = $this->open->trimmed();
        $this->open = new Styled('');
        if ($styled->isEmpty()) {
            if ($this->hasPicture && $this->lines !== []) {
                $this->lines[count($this->lines) - 1]->hasPicture = true;
                $this->hasPicture = false;
            }

            return false;
        }
        $line = new PaperLine(
            $this->openedAt,
            $styled,
            $this->opensParagraph,
            $this->item,
            $this->item === null && $this->items > 0,
            $this->rank,
            $this->isRow,
            $this->hasPicture,
        );
        $line->afterBlank = $this->isBlank;
        $this->lines[] = $line;
        [$this->isBlank, $this->opensParagraph, $this->item, $this->hasPicture] = [false, false, null, false];

        return true;
    }

    private function state(): StyleState
    {
        return $this->elements === [] ? new StyleState(false, false, false) : $this->elements[count($this->elements) - 1][1];
    }
}
