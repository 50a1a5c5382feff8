<?php

declare(strict_types=1);

namespace Zetema\App\Bank;

use Zetema\Core\Data\Malformed;

/** Drawings as SVG are kept without anything that could run, load or lead elsewhere: only known elements and attributes stay. */
final class SvgCleaner
{
    private const ELEMENTS = [
        'svg', 'g', 'defs', 'title', 'desc', 'path', 'rect', 'circle', 'ellipse', 'line', 'polyline', 'polygon', 'text', 'tspan', 'use', 'symbol', 'marker',
        'clipPath', 'mask', 'pattern', 'linearGradient', 'radialGradient', 'stop',
    ];
    private const ATTRIBUTES = [
        'id', 'class', 'd', 'x', 'y', 'x1', 'x2', 'y1', 'y2', 'cx', 'cy', 'r', 'rx', 'ry', 'dx', 'dy', 'width', 'height', 'viewBox', 'points', 'transform', 'fill', 'stroke',
        'opacity', 'offset', 'preserveAspectRatio', 'version', 'role', 'refX', 'refY', 'orient', 'markerWidth', 'markerHeight', 'markerUnits', 'gradientUnits',
        'gradientTransform', 'patternUnits', 'patternTransform', 'clipPathUnits', 'maskUnits', 'spreadMethod', 'rotate', 'textLength', 'color', 'display', 'visibility',
    ];
    private const PREFIXES = ['fill-', 'stroke-', 'stop-', 'font-', 'text-', 'clip-', 'marker-', 'aria-', 'dominant-', 'letter-', 'word-', 'paint-'];

    /**
     * @return array{svg: string, width: int, height: int}
     *
     * @throws Malformed if it is no drawing
     */
    public static function clean(string $svg): array
    {
        $document = new \DOMDocument();
        $before = libxml_use_internal_errors(true);
        $loaded = preg_match('/<!ENTITY/i', $svg) !== 1 && $document->loadXML($svg, LIBXML_NONET | LIBXML_NOBLANKS);
        libxml_clear_errors();
        libxml_use_internal_errors($before);
        $root = $document->documentElement;
        if (!$loaded || $root === null || $root->localName !== 'svg') {
            throw new Malformed('file', 'is no SVG drawing that can be read');
        }
        while ($document->doctype !== null) {
            $document->removeChild($document->doctype);
        }
        self::cleanElement($root);
        [$width, $height] = self::size($root);
        $root->setAttribute('width', (string) $width);
        $root->setAttribute('height', (string) $height);

        return ['svg' => (string) $document->saveXML($root), 'width' => $width, 'height' => $height];
    }

    private static function cleanElement(\DOMElement $element): void
    {
        foreach (iterator_to_array($element->attributes) as $attribute) {
            if (!self::isHarmless($attribute)) {
                $element->removeAttributeNode($attribute);
            }
        }
        foreach (iterator_to_array($element->childNodes) as $child) {
            if ($child instanceof \DOMElement && in_array($child->localName, self::ELEMENTS, true)) {
                self::cleanElement($child);
            } elseif (!$child instanceof \DOMText || $child instanceof \DOMCdataSection) {
                $element->removeChild($child);
            }
        }
    }

    private static function isHarmless(\DOMAttr $attribute): bool
    {
        $name = $attribute->localName ?? '';
        $value = $attribute->value;
        if ($name === 'href') {
            return str_starts_with($value, '#');
        }
        $known = in_array($name, self::ATTRIBUTES, true) || array_filter(self::PREFIXES, static fn (string $p): bool => str_starts_with($name, $p)) !== [];

        return $known && preg_match('/url\s*\(\s*["\']?(?!#)/i', $value) !== 1 && preg_match('/(javascript|data)\s*:/i', $value) !== 1;
    }

    /** @return array{int, int} */
    private static function size(\DOMElement $root): array
    {
        $box = preg_split('/[\s,]+/', trim($root->getAttribute('viewBox')));
        $size = array_map(static fn (string $length): int => (int) round((float) $length), [$root->getAttribute('width'), $root->getAttribute('height')]);
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
