<?php

declare(strict_types=1);

namespace Zetema\Core\Blueprint\Reading;

use Zetema\Core\Question\Points;
use Zetema\Core\Question\Settings\InvalidSetting;
use Zetema\Core\Question\Settings\Setting;

/** One JSON object of a blueprint while it is read. What has the wrong shape is noted where it stands, and reading goes on. */
final readonly class Shape
{
    /** @param array<array-key, mixed> $data */
    private function __construct(private array $data, public string $where, private string $path, private Refusals $refusals)
    {
    }

    public static function of(mixed $value, string $where, string $path, Refusals $refusals): self
    {
        $isObject = is_array($value) && ($value === [] || !array_is_list($value));
        if (!$isObject) {
            $refusals->add($where, 'shape', sprintf('%s must be an object', $path === '' ? 'a blueprint' : $path));
        }

        return new self($isObject ? $value : [], $where, $path, $refusals);
    }

    /** The same, told to stand at another place. */
    public function at(string $where): self
    {
        return new self($this->data, $where, $this->path, $this->refusals);
    }

    public function wrong(string $field, string $message, string $subject = 'shape'): void
    {
        $this->refusals->add($this->where, $subject, trim($this->name($field) . ' ' . $message));
    }

    public function only(string ...$fields): self
    {
        foreach (array_keys($this->data) as $field) {
            if (!in_array((string) $field, $fields, true)) {
                $this->wrong((string) $field, 'is no field here; ' . implode(', ', $fields) . ' would be');
            }
        }

        return $this;
    }

    /** Whether the field is there, if only as null. */
    public function has(string $field): bool
    {
        return array_key_exists($field, $this->data);
    }

    public function isNull(string $field): bool
    {
        return $this->has($field) && $this->data[$field] === null;
    }

    public function raw(string $field): mixed
    {
        return $this->data[$field] ?? null;
    }

    /** @return list<string> */
    public function fields(): array
    {
        return array_map(strval(...), array_keys($this->data));
    }

    public function text(string $field): string
    {
        $value = $this->raw($field);
        if (is_string($value) && $value !== '') {
            return $value;
        }
        $this->wrong($field, $this->has($field) ? 'must be a text' : 'is missing');

        return '';
    }

    public function optionalText(string $field): ?string
    {
        return $this->has($field) ? $this->text($field) : null;
    }

    /** @param non-empty-list<string> $words the first counts where nothing is said */
    public function word(string $field, array $words): string
    {
        $value = $this->has($field) ? $this->raw($field) : $words[0];
        if (is_string($value) && in_array($value, $words, true)) {
            return $value;
        }
        $this->wrong($field, 'must be ' . implode(' or ', array_map(static fn (string $word): string => "“{$word}”", $words)));

        return $words[0];
    }

    public function flag(string $field, bool $default): bool
    {
        $value = $this->has($field) ? $this->raw($field) : $default;
        if (!is_bool($value)) {
            $this->wrong($field, 'must be true or false');
        }

        return is_bool($value) ? $value : $default;
    }

    public function integer(string $field): int
    {
        $value = $this->raw($field);
        if (!is_int($value)) {
            $this->wrong($field, $this->has($field) ? 'must be a whole number' : 'is missing');
        }

        return is_int($value) ? $value : 0;
    }

    public function optionalInteger(string $field): ?int
    {
        return $this->has($field) ? $this->integer($field) : null;
    }

    public function object(string $field): self
    {
        return self::of($this->data[$field] ?? null, $this->where, $this->name($field), $this->refusals);
    }

    /** An object that may be left out. */
    public function optional(string $field): self
    {
        return $this->has($field) ? $this->object($field) : new self([], $this->where, $this->name($field), $this->refusals);
    }

    /** @return list<mixed> */
    public function items(string $field, bool $needed = false): array
    {
        $value = $this->has($field) ? $this->raw($field) : ($needed ? null : []);
        if (is_array($value) && array_is_list($value)) {
            return $value;
        }
        $this->wrong($field, $this->has($field) ? 'must be a list' : 'is missing');

        return [];
    }

    /** @return list<self> */
    public function objects(string $field, bool $needed = false): array
    {
        $objects = [];
        foreach ($this->items($field, $needed) as $i => $item) {
            $objects[] = self::of($item, $this->where, sprintf('%s[%d]', $this->name($field), $i), $this->refusals);
        }

        return $objects;
    }

    /** @return list<string> */
    public function texts(string $field, bool $needed = false): array
    {
        $texts = [];
        foreach ($this->items($field, $needed) as $item) {
            if (!is_string($item) || $item === '') {
                $this->wrong($field, 'must be a list of texts');

                return [];
            }
            $texts[] = $item;
        }

        return $texts;
    }

    /** A decimal in text; 0 where it is none. */
    public function decimal(string $field, string $subject = 'shape'): Points
    {
        return $this->decimalOf($field, $this->text($field), $subject);
    }

    public function decimalOf(string $field, mixed $value, string $subject = 'shape'): Points
    {
        try {
            return is_string($value) && $value !== '' ? Points::of($value) : Points::zero();
        } catch (InvalidSetting $e) {
            $this->wrong($field, $e->getMessage(), $subject);

            return Points::zero();
        }
    }

    /** Seconds of a time such as "90 s" or "2 min"; null for "none", or where it is no time. */
    public function seconds(string $field): ?int
    {
        $typed = $this->text($field);
        try {
            return in_array(mb_strtolower(trim($typed)), ['', 'none'], true) ? null : Setting::duration($typed)->inSeconds();
        } catch (InvalidSetting $e) {
            $this->wrong($field, $e->getMessage());

            return null;
        }
    }

    private function name(string $field): string
    {
        return $this->path === '' ? $field : $this->path . '.' . $field;
    }
}
