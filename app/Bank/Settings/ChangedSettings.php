<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Settings;

use Zetema\Core\Data\Fields;
use Zetema\Core\Question\Settings\BankSettings;

/** What a change of settings was, as a history keeps it: before, after, and what differs in words. */
final readonly class ChangedSettings
{
    /** Changes of one person within so many seconds are one step: settings save themselves with every change. */
    private const ONE_STEP = 600;
    private const MOST_NAMED = 4;

    public function __construct(public BankSettings $before, public BankSettings $after)
    {
    }

    public static function of(Fields $kept): self
    {
        return new self(BankSettings::fromData($kept->object('before')), BankSettings::fromData($kept->object('after')));
    }

    /** Whether a change that is made now goes on with one that was made then. */
    public static function goesOn(bool $bySamePerson, \DateTimeImmutable $then, bool $isUndone, \DateTimeImmutable $now): bool
    {
        return $bySamePerson && !$isUndone && $then >= $now->modify(sprintf('-%d seconds', self::ONE_STEP));
    }

    /** This one, and the next that was made after it. */
    public function then(self $next): self
    {
        return new self($this->before, $next->after);
    }

    /** @return array{before: object, after: object} */
    public function toData(): array
    {
        return ['before' => self::told($this->before), 'after' => self::told($this->after)];
    }

    public function words(): string
    {
        $named = $this->named();
        $more = count($named) - self::MOST_NAMED;

        return $named === []
            ? 'left what counts as it was'
            : sprintf(
                'changed what counts: %s',
                implode(', ', array_slice($named, 0, self::MOST_NAMED)) . ($more > 0 ? " and $more more" : ''),
            );
    }

    /** @return list<string> what differs, as authors call it */
    private function named(): array
    {
        $named = [];
        [$before, $after] = [self::flat($this->before), self::flat($this->after)];
        foreach (array_keys($before + $after) as $what) {
            if (($before[$what] ?? null) !== ($after[$what] ?? null)) {
                $named[] = $what;
            }
        }

        return $named;
    }

    /** @return array<string, string> */
    private static function flat(BankSettings $settings): array
    {
        $flat = [];
        foreach (
            ['' => $settings->every->values, ...array_map(static fn ($s): array => $s->values, $settings->byKind)] as $kind => $values
        ) {
            foreach ($values as $setting => $value) {
                $flat[sprintf('“%s”', $setting) . ($kind === '' ? '' : " of every $kind")] = $value;
            }
        }
        foreach (['' => $settings->wording, ...$settings->kindWording] as $kind => $wording) {
            foreach ($wording as $outcome => $text) {
                $flat[sprintf('what is said if %s', $outcome) . ($kind === '' ? '' : " of every $kind")] = $text;
            }
        }

        return $settings->clearing === null ? $flat : [...$flat, 'who may clear' => $settings->clearing->value];
    }

    private static function told(BankSettings $settings): object
    {
        $data = $settings->toData();

        return (object) [
            ...$data,
            ...array_map(
                static fn (array $map): object => (object) $map,
                array_intersect_key($data, ['settings' => 1, 'byKind' => 1, 'wording' => 1, 'kindWording' => 1]),
            ),
        ];
    }
}
