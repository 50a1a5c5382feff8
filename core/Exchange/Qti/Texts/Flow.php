<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Qti\Texts;

use Zetema\Core\Exchange\Qti\Listing;
use Zetema\Core\Exchange\Qti\PackageFiles;
use Zetema\Core\Exchange\Qti\Xml\Element;

/** The standard's HTML as the small Markdown. What it takes is marked so; what has no counterpart is listed. */
final class Flow
{
    private const BLOCKS = ['p', 'div', 'blockquote', 'pre', 'section', 'article', 'header', 'footer', 'figure', 'figcaption', 'main'];
    private const TRANSPARENT = [
        'span',
        'contentBody',
        'prompt',
        'modalFeedback',
        'feedbackInline',
        'feedbackBlock',
        'simpleChoice',
        'inlineChoice',
        'simpleAssociableChoice',
        'gapText',
        'rubricBlock',
        'assessmentStimulus',
        'stimulusBody',
        'itemBody',
        'testFeedback',
    ];
    private const LOST = ['style', 'script', 'iframe', 'noscript', 'template'];
    /** Between blocks that have yet to be joined. */
    public const BREAK = "\u{2}";

    /**
     * @param string|null $folder of the file, from the package's root; null: there is no package
     * @param PackageFiles|null $files of the package
     * @param \Closure(Element): ?string $special what stands for an element that is no text, such as an interaction; null: it is text
     */
    public function __construct(
        private readonly Listing $listing,
        private readonly ?string $folder,
        private readonly ?PackageFiles $files,
        private readonly \Closure $special,
    ) {
    }

    /** With a blank line between blocks. */
    public function blocks(Element $in): string
    {
        $in->take();

        return self::tidy($this->nodes($in->nodes));
    }

    /** Of an element within others: its blocks have yet to be joined. */
    public function raw(Element $e): string
    {
        return $this->element($e);
    }

    /** Of several elements, one after another. */
    public function all(Element ...$elements): string
    {
        return implode("\n\n", array_filter(array_map($this->blocks(...), $elements), static fn (string $t): bool => $t !== ''));
    }

    private static function tidy(string $text): string
    {
        $blocks = [];
        foreach (explode(self::BREAK, $text) as $block) {
            $block = trim(preg_replace(['/ ?\n ?/', '/ {2,}/'], ["\n", ' '], $block) ?? $block, " \n");
            if ($block !== '') {
                $blocks[] = str_starts_with($block, "\u{3}") ? substr($block, 1) : Literal::block($block);
            }
        }

        return implode("\n\n", $blocks);
    }

    /** @param list<Element|string> $nodes */
    private function nodes(array $nodes): string
    {
        return implode(
            '',
            array_map(
                fn (Element|string $n): string => is_string($n)
                    ? Literal::text(preg_replace('/[ \t\r\n]+/', ' ', $n) ?? $n)
                    : $this->element($n),
                $nodes,
            ),
        );
    }

    private function element(Element $e): string
    {
        $special = ($this->special)($e);
        if ($special !== null) {
            return $special;
        }
        if (in_array($e->name, self::LOST, true)) {
            return '';
        }
        $e->take();

        return match (true) {
            in_array($e->name, self::BLOCKS, true) => self::BREAK . $this->nodes($e->nodes) . self::BREAK,
            in_array($e->name, self::TRANSPARENT, true) => $this->nodes($e->nodes),
            preg_match('/^h[1-6]$/', $e->name) === 1 => self::BREAK . $this->around('**', $e) . self::BREAK,
            in_array($e->name, ['em', 'i'], true) => $this->around('*', $e),
            in_array($e->name, ['strong', 'b'], true) => $this->around('**', $e),
            $e->name === 'code' => '`' . trim(preg_replace('/\s+/', ' ', str_replace('`', '', $e->takeWhole()->text())) ?? '') . '`',
            $e->name === 'br' => "\n",
            in_array($e->name, ['ul', 'ol'], true) => self::BREAK . "\u{3}" . $this->list($e) . self::BREAK,
            $e->name === 'a' => $this->link($e),
            in_array($e->name, ['sub', 'sup'], true) => '$' .
                ($e->name === 'sub' ? '_' : '^') .
                '{' .
                trim($e->takeWhole()->text()) .
                '}$',
            in_array($e->name, ['img', 'object', 'audio', 'video'], true) => $this->medium($e),
            $e->name === 'math' => $this->math($e),
            $e->name === 'table' => $this->table($e),
            default => $this->unknown($e),
        };
    }

    private function around(string $marks, Element $e): string
    {
        $inside = $this->nodes($e->nodes);
        if (preg_match('/^(\s*)(.*?)(\s*)$/s', $inside, $m) !== 1 || $m[2] === '' || str_contains($m[2], self::BREAK)) {
            return $inside;
        }

        return $m[1] . $marks . $m[2] . $marks . $m[3];
    }

    private function list(Element $list): string
    {
        $lines = [];
        foreach ($list->children() as $i => $item) {
            if ($item->name !== 'li') {
                continue;
            }
            $text = str_replace(self::BREAK . "\u{3}", "\n", $this->nodes($item->take()->nodes));
            $text = trim(preg_replace(['/[' . self::BREAK . ']+/u', '/ ?\n ?/', '/ {2,}/'], ["\n", "\n", ' '], $text) ?? $text, " \n");
            $lines[] = ($list->name === 'ol' ? $i + 1 . '. ' : '- ') . $text;
        }

        return implode("\n", $lines);
    }

    private function link(Element $a): string
    {
        $href = $a->attribute('href') ?? '';
        $a->attribute('target');
        $text = $this->nodes($a->nodes);

        return $href === '' || trim($text) === '' || preg_match('/^\s*(?:javascript|data|vbscript)\s*:/i', $href) === 1
            ? $text
            : '[' . trim($text) . '](' . Paths::inMarkdown($href) . ')';
    }

    /** A picture, sound or film; an address outside the package is never fetched. */
    public function medium(Element $e): string
    {
        $path = $this->mediumFile($e);
        if ($path === null && Paths::hasScheme($this->source($e) ?? '')) {
            return ''; // what is not here shows nothing, and its description asks nothing
        }

        return $path === null
            ? $this->instead($e)
            : '![' .
                    str_replace(['[', ']'], ['\\[', '\\]'], $this->shows($e, $path)) .
                    '](' .
                    Paths::inMarkdown($this->named($path)) .
                    ')';
    }

    /** @return string|null its path; null where it is none of the package */
    public function mediumFile(Element $e): ?string
    {
        $source = $this->source($e);
        $e->takeWhole();
        if ($source === null || $source === '') {
            $this->listing->unmatched($e);

            return null;
        }
        $path = Paths::hasScheme($source) ? null : Paths::resolved($source, $this->folder);
        if ($path === null && !Paths::hasScheme($source)) {
            $this->listing->problem($e, sprintf('%s: “%s” leads out of the package', $e->written, $source));
        } elseif ($path === null) {
            $this->listing->unmatched($e, $e->written . ' ' . $source);
        } elseif ($this->files?->has($path) === false) {
            $this->listing->problem($e, sprintf('%s: “%s” is not in the package', $e->written, $path));
        }

        return $path;
    }

    private function source(Element $e): ?string
    {
        return $e->name === 'object' ? $e->attribute('data') : $e->attribute('src') ?? $e->child('source')?->attribute('src');
    }

    /** What a text calls a file: its path, or what it is called where it will be. */
    public function named(string $path): string
    {
        return $this->files?->has($path) === true ? $this->files->named($path) : $path;
    }

    /** What a medium shows, in words; where nothing says it, the name of its file, which is told. */
    public function shows(Element $e, string $path): string
    {
        $words = trim(preg_replace('/\s+/', ' ', $e->attribute('alt') ?? ($e->name === 'img' ? '' : $e->text())) ?? '');
        if ($words === '') {
            $words = $e->attribute('aria-label') ?? '';
        }
        if ($words === '') {
            $this->listing->problem($e, sprintf('%s: “%s” has no text that says what it shows', $e->written, $path));
            $words = basename($path);
        }

        return $words;
    }

    private function instead(Element $e): string
    {
        return Literal::text(trim(preg_replace('/\s+/', ' ', $e->attribute('alt') ?? $e->text()) ?? ''));
    }

    private function math(Element $math): string
    {
        $math->takeWhole();
        $tex = MathText::of($math);
        if ($tex === null) {
            $this->listing->unmatched($math);

            return Literal::text(trim(preg_replace('/\s+/', ' ', $math->text()) ?? ''));
        }

        return $tex === '' ? '' : '$' . (preg_replace('/\s+/', ' ', $tex) ?? $tex) . '$';
    }

    private function table(Element $table): string
    {
        $this->listing->unmatched($table);
        foreach ($table->below('tbody', 'thead', 'tfoot', 'colgroup', 'col', 'caption', 'tr', 'td', 'th') as $part) {
            $part->take();
            array_map($part->attribute(...), ['colspan', 'rowspan', 'scope', 'span', 'border', 'headers']);
        }
        array_map($table->attribute(...), ['border', 'summary', 'cellpadding', 'cellspacing', 'width']);
        $flat = static fn (string $text): string => trim(preg_replace('/[\s' . self::BREAK . "\u{3}" . ']+/u', ' ', $text) ?? $text);
        $rows = array_map(fn (Element $c): string => $flat($this->nodes($c->nodes)), $table->below('caption'));
        foreach ($table->below('tr') as $row) {
            $rows[] = implode(
                ' | ',
                array_map(fn (Element $cell): string => $flat($this->nodes($cell->nodes)), $row->children('td', 'th')),
            );
        }

        return self::BREAK . implode("\n", $rows) . self::BREAK;
    }

    /** Its text, and one entry for it. */
    private function unknown(Element $e): string
    {
        $this->listing->unmatched($e);
        $text = $this->nodes($e->nodes);
        $e->takeWhole();

        return $text;
    }
}
