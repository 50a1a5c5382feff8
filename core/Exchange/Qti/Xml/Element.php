<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Qti\Xml;

/**
 * An element of a package's file, named as in QTI 2 whichever version it is written in. It knows what of it was taken: what was not is told
 * at the end, so that nothing is lost in silence.
 */
final class Element
{
    private static int $made = 0;

    /** Its place in the order in which elements begin. */
    public readonly int $order;
    public readonly string $name;
    /** @var list<self|string> */
    public array $nodes = [];
    private bool $isTaken = false;
    /** @var array<string, array{string, string}> name as written and value, by the name in QTI 2 */
    private readonly array $attributes;
    /** @var array<string, true> */
    private array $takenAttributes = [];

    /**
     * @param string $written its name as the file has it, without a prefix
     * @param array<string, string> $attributes
     */
    public function __construct(
        public readonly string $written,
        public readonly string $namespace,
        array $attributes,
        public readonly int $line,
        public readonly ?self $parent,
    ) {
        $this->order = ++self::$made;
        $isNew = str_starts_with($written, 'qti-');
        $this->name = $isNew ? self::joined(substr($written, 4)) : $written;
        $named = [];
        foreach ($attributes as $name => $value) {
            $named[$isNew && !str_contains($name, ':') && preg_match('/^(?:data|aria)-/', $name) !== 1 ? self::joined($name) : $name] = [
                $name,
                $value,
            ];
        }
        $this->attributes = $named;
    }

    /** choice-interaction as QTI 3 has it becomes choiceInteraction. */
    private static function joined(string $name): string
    {
        return preg_replace_callback('/-([a-z0-9])/', static fn (array $m): string => strtoupper($m[1]), $name) ?? $name;
    }

    /** Without white space around it; null where it is not there. */
    public function attribute(string $name): ?string
    {
        $this->takenAttributes[$name] = true;

        return isset($this->attributes[$name]) ? trim($this->attributes[$name][1]) : null;
    }

    /** @return list<string> what stands in an attribute between white space, or commas */
    public function list(string $name): array
    {
        return self::parts($this->attribute($name) ?? '');
    }

    /** @return list<string> */
    public static function parts(string $text): array
    {
        return array_values(
            array_filter(explode(' ', preg_replace('/[\s,]+/', ' ', $text) ?? ''), static fn (string $p): bool => $p !== ''),
        );
    }

    public function flag(string $name, bool $otherwise = false): bool
    {
        $value = $this->attribute($name);

        return $value === null ? $otherwise : in_array($value, ['true', '1'], true);
    }

    public function whole(string $name, int $otherwise): int
    {
        $value = $this->attribute($name);

        return $value !== null && preg_match('/^\d{1,6}$/', $value) === 1 ? (int) $value : $otherwise;
    }

    /** @return list<self> */
    public function children(string ...$names): array
    {
        return array_values(
            array_filter(
                $this->nodes,
                static fn (self|string $n): bool => $n instanceof self && ($names === [] || in_array($n->name, $names, true)),
            ),
        );
    }

    public function child(string ...$names): ?self
    {
        return $this->children(...$names)[0] ?? null;
    }

    /** @return list<self> of these names below, in the order of the document */
    public function below(string ...$names): array
    {
        $found = [];
        foreach ($this->children() as $child) {
            if (in_array($child->name, $names, true)) {
                $found[] = $child;
            }
            array_push($found, ...$child->below(...$names));
        }

        return $found;
    }

    /** All text in it, white space as it stands. */
    public function text(): string
    {
        return implode('', array_map(static fn (self|string $n): string => is_string($n) ? $n : $n->text(), $this->nodes));
    }

    public function isInside(string ...$names): bool
    {
        return $this->parent !== null && (in_array($this->parent->name, $names, true) || $this->parent->isInside(...$names));
    }

    /** It was understood; its attributes and what is in it have yet to be. */
    public function take(): self
    {
        $this->isTaken = true;

        return $this;
    }

    /** It and all that is in it was understood. */
    public function takeWhole(): self
    {
        $this->take();
        foreach (array_keys($this->attributes) as $name) {
            $this->takenAttributes[$name] = true;
        }
        foreach ($this->children() as $child) {
            $child->takeWhole();
        }

        return $this;
    }

    public function isTaken(): bool
    {
        return $this->isTaken;
    }

    /** @return list<string> as they are written */
    public function attributesLeft(): array
    {
        return array_values(array_map(static fn (array $a): string => $a[0], array_diff_key($this->attributes, $this->takenAttributes)));
    }
}
