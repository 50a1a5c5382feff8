<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Settings;

use Zetema\Core\Question\Kinds\KindId;

/** What a bank sets for its questions where they set nothing themselves: for every question, and for those of one kind, which is nearer. */
final readonly class BankSettings
{
    /** @param array<string, Settings> $byKind */
    public function __construct(public Settings $every, public array $byKind = [])
    {
    }

    public static function none(): self
    {
        return new self(Settings::none());
    }

    public function isEmpty(): bool
    {
        return $this->every->values === [] && $this->byKind === [];
    }

    public function equals(self $other): bool
    {
        return $this->sorted() === $other->sorted();
    }

    /** @return array<string, array<string, string>> by kind, '' for every one */
    private function sorted(): array
    {
        $all = array_map(static function (Settings $settings): array {
            $values = $settings->values;
            ksort($values);

            return $values;
        }, ['' => $this->every, ...$this->byKind]);
        ksort($all);

        return array_filter($all);
    }

    /** What reaches questions of a kind: what is set for every one, but for what only counts when it is set for the kind, and what is set for it. */
    public function for(KindId $kind): Settings
    {
        $every = array_reduce($kind->facts()->notFromEvery, static fn (Settings $every, Setting $s): Settings => $every->without($s), $this->every);

        return isset($this->byKind[$kind->value]) ? $this->byKind[$kind->value]->over($every) : $every;
    }
}
