<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Settings;

/** The settings somebody made at one place; whatever is not mentioned is unset, not default. */
final readonly class Settings
{
    /** @param array<string, string> $values canonical values by the setting's word */
    private function __construct(public array $values)
    {
    }

    public static function none(): self
    {
        return new self([]);
    }

    /**
     * @param array<string, string> $typed values by the setting's word
     *
     * @throws InvalidSetting for an unknown word or a value that does not go there
     */
    public static function of(array $typed): self
    {
        $values = [];
        foreach (Setting::cases() as $setting) {
            if (isset($typed[$setting->value])) {
                try {
                    $values[$setting->value] = $setting->canonical($typed[$setting->value]);
                } catch (InvalidSetting $e) {
                    throw new InvalidSetting($setting->value . ': ' . $e->getMessage());
                }
            }
        }
        foreach (array_diff_key($typed, $values) as $word => $value) {
            throw new InvalidSetting(sprintf('“%s” is no setting', $word));
        }

        return new self($values);
    }

    public function get(Setting $setting): ?string
    {
        return $this->values[$setting->value] ?? null;
    }

    public function marking(): ?Marking
    {
        return Marking::tryFrom($this->get(Setting::Marking) ?? '');
    }

    public function isKeyless(): bool
    {
        return $this->get(Setting::Key) === 'none';
    }

    /** These, and where they say nothing those further out. */
    public function over(self $further): self
    {
        return new self([...$further->values, ...$this->values]);
    }

    public function without(Setting $setting): self
    {
        return new self(array_diff_key($this->values, [$setting->value => true]));
    }

    public function with(Setting $setting, ?string $typed): self
    {
        $values = $this->values;
        unset($values[$setting->value]);

        return self::of($typed === null ? $values : [...$values, $setting->value => $typed]);
    }
}
