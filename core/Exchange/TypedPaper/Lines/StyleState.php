<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\TypedPaper\Lines;

/** What of an HTML text is bold, underlined, in italics, within an element. */
final readonly class StyleState
{
    public function __construct(public bool $bold, public bool $underlined, public bool $italic)
    {
    }

    /** Within an element; a style wins over its tag. */
    public function with(string $tag, string $attributes): self
    {
        $bold = $this->bold || in_array($tag, ['b', 'strong'], true);
        $underlined = $this->underlined || $tag === 'u';
        $italic = $this->italic || in_array($tag, ['i', 'em'], true);
        if (preg_match('/\bstyle\s*=\s*(?:"([^"]*)"|\'([^\']*)\')/i', $attributes, $m) === 1) {
            $style = strtolower($m[1] . ($m[2] ?? ''));
            if (preg_match('/font-weight\s*:\s*(bolder|bold|normal|lighter|\d{1,4})/', $style, $w) === 1) {
                $bold = is_numeric($w[1]) ? (int) $w[1] >= 600 : in_array($w[1], ['bold', 'bolder'], true);
            }
            if (preg_match('/text-decoration(?:-line)?\s*:\s*([a-z -]+)/', $style, $w) === 1) {
                $underlined = str_contains($w[1], 'underline');
            }
            if (preg_match('/font-style\s*:\s*([a-z]+)/', $style, $w) === 1) {
                $italic = in_array($w[1], ['italic', 'oblique'], true);
            }
        }

        return new self($bold, $underlined, $italic);
    }
}
