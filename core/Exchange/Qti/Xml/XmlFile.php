<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Qti\Xml;

/** XML from anybody, made a tree: nothing is expanded, fetched or included, and it may only be so large. */
final class XmlFile
{
    private const MOST_BYTES = 5_000_000;
    private const MOST_LEVELS = 100;
    private const MOST_ELEMENTS = 50_000;

    /** @throws RefusedXml */
    public static function root(string $bytes): Element
    {
        if (strlen($bytes) > self::MOST_BYTES) {
            throw new RefusedXml(
                sprintf('has more than the %s MB that an XML file may have', number_format(self::MOST_BYTES / 1_000_000)),
            );
        }
        $text = self::decoded($bytes);
        if (trim($text) === '') {
            throw new RefusedXml('is no whole XML: it is empty');
        }
        // Comments may speak of one.
        if (preg_match('/<!DOCTYPE/i', preg_replace('/<!--.*?-->/s', '', $text) ?? $text) === 1) {
            throw new RefusedXml('has a DOCTYPE; files with one are not read');
        }
        $before = libxml_use_internal_errors(true);
        try {
            self::measure($text);
            $document = new \DOMDocument();
            if (!$document->loadXML($text, LIBXML_NONET | LIBXML_BIGLINES) || $document->documentElement === null) {
                throw self::broken() ?? new RefusedXml('is no whole XML');
            }

            return self::element($document->documentElement, null);
        } finally {
            libxml_clear_errors();
            libxml_use_internal_errors($before);
        }
    }

    /** @throws RefusedXml */
    private static function decoded(string $bytes): string
    {
        [$actual, $mark] = match (true) {
            str_starts_with($bytes, "\xFF\xFE\0\0"), str_starts_with($bytes, "\0\0\xFE\xFF") => throw new RefusedXml(
                'is UTF-32; UTF-8 and UTF-16 are read',
            ),
            str_starts_with($bytes, "\xFF\xFE") => ['UTF-16LE', 2],
            str_starts_with($bytes, "\xFE\xFF") => ['UTF-16BE', 2],
            str_starts_with($bytes, "<\0"), str_starts_with($bytes, "\0<") => throw new RefusedXml('is UTF-16 without its mark'),
            default => ['UTF-8', str_starts_with($bytes, "\xEF\xBB\xBF") ? 3 : 0],
        };
        $bytes = substr($bytes, $mark);
        $isValid = mb_check_encoding($bytes, $actual);
        $text = $actual === 'UTF-8' || !$isValid ? $bytes : mb_convert_encoding($bytes, 'UTF-8', $actual);
        $declared =
            preg_match('/^\s*<\?xml\s[^>]*?encoding\s*=\s*["\']([A-Za-z0-9._:-]+)["\']/', $text, $m) === 1 ? strtoupper($m[1]) : null;
        if ($declared !== null && !in_array($declared, $actual === 'UTF-8' ? ['UTF-8', 'UTF8'] : ['UTF-16', $actual], true)) {
            throw new RefusedXml(
                sprintf(
                    'says its encoding is %s; %s',
                    $declared,
                    str_starts_with($declared, 'UTF') ? 'its bytes are ' . $actual : 'UTF-8 and UTF-16 are read',
                ),
            );
        }
        if (!$isValid) {
            throw new RefusedXml(sprintf('is said to be %s, and its bytes are not', $actual));
        }

        // libxml would believe the declaration.
        return $actual === 'UTF-8'
            ? $text
            : preg_replace('/^(\s*<\?xml\s[^>]*?)\s+encoding\s*=\s*["\'][^"\']*["\']/', '$1', $text) ?? $text;
    }

    /**
     * Before it becomes a tree, which takes memory.
     *
     * @throws RefusedXml
     */
    private static function measure(string $text): void
    {
        $reader = \XMLReader::XML($text, null, LIBXML_NONET);
        if (!$reader instanceof \XMLReader) {
            throw self::broken() ?? new RefusedXml('is no whole XML');
        }
        $elements = 0;
        while (@$reader->read()) {
            if ($reader->nodeType !== \XMLReader::ELEMENT) {
                continue;
            }
            if (++$elements > self::MOST_ELEMENTS) {
                throw new RefusedXml(sprintf('has more than the %s elements that a file may have', number_format(self::MOST_ELEMENTS)));
            }
            if ($reader->depth >= self::MOST_LEVELS) {
                throw new RefusedXml(sprintf('is nested deeper than %d levels', self::MOST_LEVELS));
            }
        }
        $broken = self::broken();
        if ($broken !== null) {
            throw $broken;
        }
    }

    private static function broken(): ?RefusedXml
    {
        foreach (libxml_get_errors() as $error) {
            if ($error->level >= LIBXML_ERR_ERROR) {
                return new RefusedXml(
                    sprintf('line %d: is no whole XML: %s', $error->line, lcfirst(trim($error->message))),
                    max(1, $error->line),
                );
            }
        }

        return null;
    }

    private static function element(\DOMElement $from, ?Element $parent): Element
    {
        $attributes = [];
        foreach ($from->attributes as $attribute) {
            /** @var \DOMAttr $attribute */
            $attributes[$attribute->nodeName] = $attribute->value;
        }
        $isInclude = $from->namespaceURI === 'http://www.w3.org/2001/XInclude';
        $element = new Element(
            $isInclude ? 'xi:include' : (string) $from->localName,
            (string) $from->namespaceURI,
            $attributes,
            $from->getLineNo(),
            $parent,
        );
        foreach ($from->childNodes as $child) {
            if ($child instanceof \DOMElement) {
                $element->nodes[] = self::element($child, $element);
            } elseif ($child instanceof \DOMText) {
                $element->nodes[] = $child->data;
            }
        }

        return $element;
    }
}
