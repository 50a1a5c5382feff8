<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Media;

use Zetema\Core\Data\Malformed;

/** Drawings as SVG are kept without anything that could run, load or lead elsewhere: only known elements and attributes stay. */
final class SvgCleaner
{
    /** Things that are drawn, those by reference counted each time. */
    private const MOST_DRAWN = 50_000;
    private const DEEPEST = 100;

    /** Functions that a drawing may use in its attributes; addresses only within itself. */
    private const FUNCTIONS = ['rgb', 'rgba', 'hsl', 'hsla', 'matrix', 'translate', 'scale', 'rotate', 'skewX', 'skewY'];
    /** Attributes that are words for people, not for a style. */
    private const WORDS = ['id', 'role', 'version', 'class'];

    /** @var array<string, int> what was taken out, in words, and how often */
    private array $takenOut = [];

    private function __construct()
    {
    }

    /**
     * @return array{svg: string, width: int, height: int, takenOut: list<string>} what was taken out is for the author to know
     *
     * @throws Malformed if it is no drawing
     */
    public static function clean(string $svg): array
    {
        $root = self::parsed($svg);
        $cleaner = new self();
        $cleaner->cleanElement($root);
        self::refuseEndless($root);
        [$width, $height] = self::size($root);
        $root->setAttribute('width', (string) $width);
        $root->setAttribute('height', (string) $height);

        return [
            'svg' => (string) $root->ownerDocument?->saveXML($root),
            'width' => $width,
            'height' => $height,
            'takenOut' => $cleaner->takenOut(),
        ];
    }

    /** What is drawn again by reference, and within that again, soon is more than there are grains of sand. */
    private static function refuseEndless(\DOMElement $root): void
    {
        $byId = $weights = [];
        $called = (new \DOMXPath($root->ownerDocument ?? new \DOMDocument()))->query('//*[@id]');
        foreach ($called === false ? [] : $called as $element) {
            if ($element instanceof \DOMElement) {
                $byId[$element->getAttribute('id')] = $element;
            }
        }
        $weigh = static function (\DOMElement $element, int $depth) use (&$weigh, &$weights, $byId): int {
            $key = (string) $element->getNodePath();
            if ($depth > self::DEEPEST) {
                throw new Malformed('file', sprintf('is a drawing nested more than %d deep, or one that draws itself', self::DEEPEST));
            }
            if (isset($weights[$key])) {
                return $weights[$key];
            }
            $weight = 1;
            foreach ($element->attributes as $attribute) {
                preg_match_all('/(?:^|url\(\s*["\']?)#([^"\')\s]+)/', $attribute->nodeValue ?? '', $ids);
                foreach (array_unique($ids[1]) as $id) {
                    $weight += isset($byId[$id]) ? $weigh($byId[$id], $depth + 1) : 0;
                }
            }
            foreach ($element->childNodes as $child) {
                $weight += $child instanceof \DOMElement ? $weigh($child, $depth + 1) : 0;
            }
            if ($weight > self::MOST_DRAWN) {
                throw new Malformed(
                    'file',
                    sprintf('would draw more than %s things, since it draws some again and again', number_format(self::MOST_DRAWN)),
                );
            }

            return $weights[$key] = $weight;
        };
        $weigh($root, 0);
    }

    /** Looked at before it is parsed: only UTF-8 and no document type, so that no entity and no other spelling of a word gets in. */
    private static function parsed(string $svg): \DOMElement
    {
        $encoding = preg_match('/^\s*<\?xml[^>]*\bencoding\s*=\s*["\']([^"\']*)/i', $svg, $m) === 1 ? strtolower($m[1]) : 'utf-8';
        if (!mb_check_encoding($svg, 'UTF-8') || !in_array($encoding, ['utf-8', 'us-ascii'], true)) {
            throw new Malformed('file', 'is a drawing in another encoding than UTF-8; save it as UTF-8');
        }
        if (preg_match('/<!(DOCTYPE|ENTITY|ELEMENT|ATTLIST|NOTATION)/i', $svg) === 1) {
            throw new Malformed(
                'file',
                'has a document type, which drawings here go without; take the line that begins with <!DOCTYPE out, or export it as plain SVG',
            );
        }
        $document = new \DOMDocument();
        $before = libxml_use_internal_errors(true);
        $loaded = $document->loadXML($svg, LIBXML_NONET | LIBXML_NOBLANKS);
        libxml_clear_errors();
        libxml_use_internal_errors($before);
        $root = $document->documentElement;

        return $loaded && $root?->localName === 'svg' ? $root : throw new Malformed('file', 'is no SVG drawing that can be read');
    }

    private function cleanElement(\DOMElement $element): void
    {
        self::spreadStyle($element);
        // By place, not by name: two attributes may have the same local name.
        for ($i = $element->attributes->length - 1; $i >= 0; --$i) {
            $attribute = $element->attributes->item($i);
            if ($attribute instanceof \DOMAttr && !self::isHarmless($attribute)) {
                $element->removeAttributeNode($attribute);
                $this->note(
                    match (true) {
                        str_starts_with($attribute->localName ?? '', 'on') => 'something that would run (' . $attribute->localName . ')',
                        in_array($attribute->localName, ['href', 'src'], true) => 'an address that leads elsewhere',
                        default => '',
                    },
                );
            }
        }
        for ($child = $element->firstChild; $child !== null; $child = $next) {
            $next = $child->nextSibling;
            if ($child instanceof \DOMElement && in_array($child->localName, SvgVocabulary::ELEMENTS, true)) {
                $this->cleanElement($child);
            } elseif ($child instanceof \DOMElement && $child->localName === 'a') {
                // The link goes, what it holds stays.
                $next = $child->firstChild ?? $next;
                while ($child->firstChild !== null) {
                    $element->insertBefore($child->firstChild, $child);
                }
                $element->removeChild($child);
                $this->note('a link (what it held stays)');
            } elseif (!($child instanceof \DOMText) || $child instanceof \DOMCdataSection) {
                $element->removeChild($child);
                $this->note(
                    $child instanceof \DOMElement
                        ? match ($child->localName) {
                            'script' => 'a script',
                            'style' => 'a style sheet',
                            'image', 'feImage' => 'a picture within the drawing',
                            'foreignObject' => 'a piece of a web page',
                            'metadata' => '',
                            default => 'a “' . mb_substr($child->localName ?? '', 0, 30) . '”',
                        }
                    : '',
                );
            }
        }
    }

    /** What a style attribute says plainly becomes attributes of its own, which are then looked at like any other. */
    private static function spreadStyle(\DOMElement $element): void
    {
        foreach (explode(';', $element->getAttribute('style')) as $declaration) {
            if (preg_match('/^\s*([a-z-]+)\s*:\s*(.+?)\s*$/i', $declaration, $m) === 1) {
                $element->setAttribute(strtolower($m[1]), $m[2]);
            }
        }
        $element->removeAttribute('style');
    }

    private function note(string $what): void
    {
        if ($what !== '') {
            $this->takenOut[$what] = ($this->takenOut[$what] ?? 0) + 1;
        }
    }

    /** @return list<string> */
    private function takenOut(): array
    {
        return array_map(
            static fn (string $what, int $n): string => $n === 1 ? $what : "$what, $n times",
            array_keys($this->takenOut),
            $this->takenOut,
        );
    }

    private static function isHarmless(\DOMAttr $attribute): bool
    {
        $name = $attribute->localName ?? '';
        $value = $attribute->value;
        if ($name === 'href') {
            return preg_match('/^#[\w.:-]+$/', $value) === 1;
        }
        if ($attribute->prefix !== '') {
            return false;
        }
        $known =
            in_array($name, SvgVocabulary::ATTRIBUTES, true) ||
            array_filter(SvgVocabulary::PREFIXES, static fn (string $p): bool => str_starts_with($name, $p)) !== [];

        return $known && (in_array($name, self::WORDS, true) || str_starts_with($name, 'aria-') || self::isPlainStyle($value));
    }

    /** Whether a value could be a style's and yet load nothing: only known functions, addresses within the drawing, no escapes. */
    private static function isPlainStyle(string $value): bool
    {
        $rest =
            preg_replace(['/url\(\s*(["\']?)#[\w.:-]+\1\s*\)/i', '/\b(' . implode('|', self::FUNCTIONS) . ')\(/i'], '', $value) ?? '\\';

        return preg_match('/[\\@{};<>]|\/\*|[\w-]\s*\(|(javascript|data)\s*:/i', $rest) !== 1;
    }

    /** @return array{int, int} */
    private static function size(\DOMElement $root): array
    {
        $box = preg_split('/[\s,]+/', trim($root->getAttribute('viewBox')));
        $size = array_map(static fn (string $length): int => (int) round((float) $length), [
            $root->getAttribute('width'),
            $root->getAttribute('height'),
        ]);
        if (($size[0] <= 0 || $size[1] <= 0) && is_array($box) && count($box) === 4) {
            $size = [(int) round((float) $box[2]), (int) round((float) $box[3])];
        }
        if ($size[0] <= 0 || $size[1] <= 0 || $size[0] > 8000 || $size[1] > 8000) {
            throw new Malformed('file', 'does not say how large it is; give the drawing a width and a height, or a viewBox');
        }
        if ($root->getAttribute('viewBox') === '') {
            $root->setAttribute('viewBox', "0 0 $size[0] $size[1]");
        }

        return [$size[0], $size[1]];
    }
}
