<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Qti\Writing;

use Zetema\Core\Question\Kinds\Common\Picture;

/** The small Markdown as the standard's HTML. */
final class Html
{
    private const INLINE =
        '/(?<gap>___)|\\\\(?<escaped>[\\\\`*_{}\[\]()#+.!~^$-])|`(?<code>[^`\n]+)`|!\[(?<shows>(?:[^\]\\\\]|\\\\.)*)\]\((?<file>[^()\s]+)\)|\[(?<words>(?:[^\]\\\\]|\\\\.)*)\]\((?<href>[^()\s]+)\)' .
        '|\*\*(?<strong>(?=\S)(?:\*[^*]+\*|[^*])+?(?<=\S))\*\*|\*(?<em>(?=\S)[^*]+?(?<=\S))\*|(?<!\w)_(?<em2>(?=\S)[^_]+?(?<=\S))_(?!\w)|\$(?<tex>(?=\S)[^$\n]+?(?<=\S))\$(?!\d)|\^(?<raised>[^\s^]{1,40})\^|~(?<lowered>[^\s~]{1,40})~|(?<br>\n)/us';

    /** @var (\Closure(int): (Tag|string))|null what stands for a gap, by its number */
    private ?\Closure $gap = null;
    private int $gaps = 0;

    /** @param \Closure(string): string $path of a file, from where the text stands */
    public function __construct(private readonly Version $version, private readonly \Closure $path)
    {
    }

    /** @return list<Tag> paragraphs and lists */
    public function blocks(string $markdown): array
    {
        $blocks = [];
        foreach (explode("\n\n", preg_replace('/\n{3,}/', "\n\n", trim($markdown)) ?? $markdown) as $block) {
            $lines = explode("\n", $block);
            $isList = static fn (string $mark): bool => array_filter(
                $lines,
                static fn (string $l): bool => preg_match("/^$mark /", $l) !== 1,
            ) === [];
            $items = fn (): array => array_map(
                fn (string $l): Tag => Tag::of('li', [], ...$this->inline(preg_replace('/^\S+ /', '', $l) ?? $l)),
                $lines,
            );
            $blocks[] = match (true) {
                $isList('[-*+]') => Tag::of('ul', [], ...$items()),
                $isList('\d{1,9}[.)]') => Tag::of('ol', [], ...$items()),
                default => Tag::of('p', [], ...$this->inline($block)),
            };
        }

        return $blocks;
    }

    /** @return list<Tag> as feedback and what is read before hold their text */
    public function held(string $markdown): array
    {
        $blocks = $this->blocks($markdown);

        return $this->version === Version::V21 ? $blocks : [Tag::of('contentBody', [], ...$blocks)];
    }

    /**
     * @param \Closure(int): (Tag|string) $gap what stands for each gap, by its number
     *
     * @return list<Tag>
     */
    public function withGaps(string $markdown, \Closure $gap): array
    {
        [$this->gap, $this->gaps] = [$gap, 0];
        $blocks = $this->blocks($markdown);
        $this->gap = null;

        return $blocks;
    }

    /**
     * Inline where it is one paragraph, else in blocks.
     *
     * @return list<Tag|string>
     */
    public function text(string $markdown): array
    {
        $blocks = $this->blocks($markdown);

        return count($blocks) === 1 && $blocks[0]->name === 'p' ? $blocks[0]->inside : $blocks;
    }

    /** @return list<Tag|string> */
    public function inline(string $markdown): array
    {
        $parts = [];
        $at = 0;
        while (preg_match(self::INLINE, $markdown, $m, PREG_OFFSET_CAPTURE | PREG_UNMATCHED_AS_NULL, $at) === 1) {
            $before = substr($markdown, $at, $m[0][1] - $at);
            $parts = $before === '' ? $parts : [...$parts, $before];
            $at = $m[0][1] + strlen((string) $m[0][0]);
            $parts[] = $this->mark(
                array_filter(array_map(static fn (array $g): ?string => $g[0], $m), static fn (?string $g): bool => $g !== null),
            );
        }
        $rest = substr($markdown, $at);

        return $rest === '' ? $parts : [...$parts, $rest];
    }

    /** @param array<array-key, string> $m groups that were found, by name */
    private function mark(array $m): Tag|string
    {
        return match (true) {
            isset($m['gap']) => $this->gap === null ? '___' : ($this->gap)(++$this->gaps),
            isset($m['escaped']) => $m['escaped'],
            isset($m['code']) => Tag::of('code', [], $m['code']),
            isset($m['file']) => $this->medium($m['file'], stripslashes($m['shows'] ?? '')),
            isset($m['href']) => Tag::of('a', ['href' => $m['href']], ...$this->inline($m['words'] ?? '')),
            isset($m['strong']) => Tag::of('strong', [], ...$this->inline($m['strong'])),
            isset($m['em']) || isset($m['em2']) => Tag::of('em', [], ...$this->inline($m['em'] ?? ($m['em2'] ?? ''))),
            isset($m['tex']) => self::formula($m['tex']),
            isset($m['raised']) => Tag::of('sup', [], $m['raised']),
            isset($m['lowered']) => Tag::of('sub', [], $m['lowered']),
            default => Tag::of('br'),
        };
    }

    /** The picture that an interaction is on. */
    public function object(string $file, string $shows, ?Picture $picture = null): Tag
    {
        $path = ($this->path)(rawurldecode($file));
        $type =
            ['svg' => 'image/svg+xml', 'jpg' => 'image/jpeg', 'jpeg' => 'image/jpeg'][strtolower(pathinfo($path, PATHINFO_EXTENSION))] ??
            'image/png';
        $size = static fn (?int $pixels): ?string => $pixels === null ? null : (string) $pixels;

        return Tag::of(
            'object',
            ['type' => $type, 'data' => self::href($path), 'width' => $size($picture?->width), 'height' => $size($picture?->height)],
            $shows,
        );
    }

    private static function href(string $path): string
    {
        return implode('/', array_map(rawurlencode(...), explode('/', $path)));
    }

    /** A picture; sound and film as the version has them. */
    public function medium(string $file, string $shows): Tag
    {
        $path = ($this->path)(rawurldecode($file));
        $href = self::href($path);
        $type = match (strtolower(pathinfo($path, PATHINFO_EXTENSION))) {
            'mp3' => 'audio/mpeg',
            'ogg' => 'audio/ogg',
            'wav' => 'audio/wav',
            'm4a' => 'audio/mp4',
            'mp4' => 'video/mp4',
            'webm' => 'video/webm',
            default => 'image',
        };
        if ($type === 'image') {
            return Tag::of('img', ['src' => $href, 'alt' => $shows]);
        }

        return $this->version === Version::V21
            ? Tag::of('object', ['data' => $href, 'type' => $type], $shows)
            : Tag::of(explode('/', $type)[0], ['src' => $href, 'controls' => 'controls'], $shows);
    }

    private static function formula(string $tex): Tag
    {
        return Tag::of(
            'math',
            ['xmlns' => 'http://www.w3.org/1998/Math/MathML'],
            Tag::of('semantics', [], Tag::of('mtext', [], $tex), Tag::of('annotation', ['encoding' => 'application/x-tex'], $tex)),
        );
    }
}
