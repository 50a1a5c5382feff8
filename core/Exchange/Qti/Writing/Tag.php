<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Qti\Writing;

/** An element to be written, named as in QTI 2; version 3 puts its own names to it. */
final readonly class Tag
{
    /** Elements that keep their names in every version. */
    private const HTML = [
        'p',
        'div',
        'em',
        'strong',
        'code',
        'br',
        'ul',
        'ol',
        'li',
        'a',
        'img',
        'audio',
        'video',
        'object',
        'sub',
        'sup',
        'details',
        'summary',
        'math',
        'semantics',
        'mtext',
        'annotation',
    ];

    /**
     * @param array<string, string|null> $attributes null: left out
     * @param list<self|string> $inside texts as they are, not yet escaped
     */
    private function __construct(public string $name, private array $attributes, public array $inside)
    {
    }

    /** @param array<string, string|null> $attributes */
    public static function of(string $name, array $attributes = [], self|string ...$inside): self
    {
        return new self($name, $attributes, array_values($inside));
    }

    public function render(Version $version): string
    {
        $isNew = $version === Version::V30 && !in_array($this->name, self::HTML, true);
        $name = $isNew ? 'qti-' . self::hyphened($this->name) : $this->name;
        $attributes = '';
        foreach ($this->attributes as $attribute => $value) {
            if ($value !== null) {
                $attributes .= sprintf(
                    ' %s="%s"',
                    $isNew && $attribute !== 'xmlns' ? self::hyphened($attribute) : $attribute,
                    htmlspecialchars($value, ENT_XML1 | ENT_QUOTES, 'UTF-8'),
                );
            }
        }
        if ($this->inside === []) {
            return "<$name$attributes/>";
        }

        return "<$name$attributes>" .
            implode(
                '',
                array_map(
                    static fn (self|string $i): string => is_string($i)
                        ? htmlspecialchars($i, ENT_XML1 | ENT_NOQUOTES, 'UTF-8')
                        : $i->render($version),
                    $this->inside,
                ),
            ) .
            "</$name>";
    }

    /** As a file of its own. */
    public function document(Version $version): string
    {
        return "<?xml version=\"1.0\" encoding=\"UTF-8\"?>\n" . $this->render($version) . "\n";
    }

    private static function hyphened(string $name): string
    {
        return strtolower(preg_replace('/(?<=[a-z])(?=[A-Z])/', '-', $name) ?? $name);
    }
}
