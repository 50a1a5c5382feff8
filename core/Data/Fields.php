<?php

declare(strict_types=1);

namespace Zetema\Core\Data;

/** A decoded JSON object, read field by field; whatever has the wrong shape is refused by the field's name. */
final readonly class Fields
{
    /** @param array<array-key, mixed> $data */
    private function __construct(private array $data, private string $path)
    {
    }

    /** @throws Malformed unless the value is a JSON object (or an empty list, which PHP cannot tell from one) */
    public static function of(mixed $value, string $path = ''): self
    {
        if ($value instanceof \stdClass) {
            $value = (array) $value;
        }
        if (!is_array($value) || ($value !== [] && array_is_list($value))) {
            throw new Malformed($path === '' ? 'document' : $path, 'must be an object');
        }

        return new self($value, $path);
    }

    /** @throws Malformed if the text is no JSON object */
    public static function ofJson(string $json): self
    {
        try {
            return self::of(json_decode($json, true, 64, JSON_THROW_ON_ERROR));
        } catch (\JsonException $e) {
            throw new Malformed('document', 'is not JSON: ' . $e->getMessage());
        }
    }

    /** @throws Malformed if there are fields other than these */
    public function only(string ...$names): self
    {
        foreach (array_keys($this->data) as $name) {
            if (!in_array((string) $name, $names, true)) {
                throw new Malformed($this->name((string) $name), 'is no field here; ' . implode(', ', $names) . ' would be');
            }
        }

        return $this;
    }

    public function has(string $field): bool
    {
        return isset($this->data[$field]);
    }

    public function text(string $field, ?string $default = null): string
    {
        $value = $this->data[$field] ?? $default;

        return is_string($value) ? $value : throw new Malformed($this->name($field), 'must be a text');
    }

    public function optionalText(string $field): ?string
    {
        return $this->has($field) ? $this->text($field) : null;
    }

    public function integer(string $field, ?int $default = null): int
    {
        $value = $this->data[$field] ?? $default;

        return is_int($value) ? $value : throw new Malformed($this->name($field), 'must be a whole number');
    }

    public function optionalInteger(string $field): ?int
    {
        return $this->has($field) ? $this->integer($field) : null;
    }

    public function flag(string $field, ?bool $default = null): bool
    {
        $value = $this->data[$field] ?? $default;

        return is_bool($value) ? $value : throw new Malformed($this->name($field), 'must be true or false');
    }

    public function object(string $field): self
    {
        return self::of($this->data[$field] ?? null, $this->name($field));
    }

    public function optionalObject(string $field): ?self
    {
        return $this->has($field) ? $this->object($field) : null;
    }

    /**
     * @return list<mixed>
     */
    public function items(string $field, bool $optional = false): array
    {
        $value = $this->data[$field] ?? ($optional ? [] : null);

        return is_array($value) && array_is_list($value) ? $value : throw new Malformed($this->name($field), 'must be a list');
    }

    /** @return list<self> */
    public function objects(string $field, bool $optional = false): array
    {
        $objects = [];
        foreach ($this->items($field, $optional) as $i => $item) {
            $objects[] = self::of($item, $this->name($field) . '[' . $i . ']');
        }

        return $objects;
    }

    /** @return list<string> */
    public function texts(string $field, bool $optional = false): array
    {
        $texts = [];
        foreach ($this->items($field, $optional) as $item) {
            $texts[] = is_string($item) ? $item : throw new Malformed($this->name($field), 'must be a list of texts');
        }

        return $texts;
    }

    /** @return list<int> */
    public function integers(string $field, bool $optional = false): array
    {
        $integers = [];
        foreach ($this->items($field, $optional) as $item) {
            $integers[] = is_int($item) ? $item : throw new Malformed($this->name($field), 'must be a list of whole numbers');
        }

        return $integers;
    }

    /** @return array<string, string> */
    public function textMap(string $field): array
    {
        $map = [];
        foreach (($this->optionalObject($field) ?? new self([], $field))->data as $key => $value) {
            $map[(string) $key] = is_string($value) ? $value : throw new Malformed($this->name($field) . '.' . $key, 'must be a text');
        }

        return $map;
    }

    /** @return array<string, int> */
    public function integerMap(string $field): array
    {
        $map = [];
        foreach (($this->optionalObject($field) ?? new self([], $field))->data as $key => $value) {
            $map[(string) $key] = is_int($value)
                ? $value
                : throw new Malformed($this->name($field) . '.' . $key, 'must be a whole number');
        }

        return $map;
    }

    /** @return array<array-key, mixed> the values as they came */
    public function raw(): array
    {
        return $this->data;
    }

    private function name(string $field): string
    {
        return $this->path === '' ? $field : $this->path . '.' . $field;
    }
}
