<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Settings;

use Zetema\Core\Data\AuthorText;
use Zetema\Core\Data\Fields;
use Zetema\Core\Question\Clearing;
use Zetema\Core\Question\Feedback\Outcome;
use Zetema\Core\Question\Kinds\KindId;

/**
 * What a bank, or an organisation for all its banks, sets for questions where they set nothing themselves: for every question, and for
 * those of one kind, which is nearer; what is said after an outcome; and who may clear.
 */
final readonly class BankSettings
{
    /** @var array<string, string> */
    public array $wording;

    /**
     * @param array<string, Settings> $byKind
     * @param array<string, string> $wording what is said after an outcome, by the outcome, in the small Markdown
     * @param Clearing|null $clearing null: it is not said here
     */
    public function __construct(public Settings $every, public array $byKind = [], array $wording = [], public ?Clearing $clearing = null)
    {
        $said = [];
        foreach (Outcome::cases() as $outcome) {
            $text = AuthorText::tidy($wording[$outcome->value] ?? '');
            $said += $text === '' ? [] : [$outcome->value => $text];
        }
        $this->wording = $said;
    }

    public static function none(): self
    {
        return new self(Settings::none());
    }

    public static function fromData(Fields $data): self
    {
        $byKind = [];
        foreach (KindId::cases() as $kind) {
            $values = ($data->optionalObject('byKind') ?? Fields::of([]))->textMap($kind->value);
            $byKind += $values === [] ? [] : [$kind->value => Settings::of($values)];
        }
        $clearing = $data->optionalText('clearing');

        return new self(Settings::of($data->textMap('settings')), $byKind, $data->textMap('wording'), $clearing === null ? null : Clearing::of($clearing));
    }

    /** @return array{settings: array<string, string>, byKind: array<string, array<string, string>>, wording: array<string, string>, clearing: string|null} */
    public function toData(): array
    {
        return [
            'settings' => $this->every->values,
            'byKind' => array_filter(array_map(static fn (Settings $s): array => $s->values, $this->byKind)),
            'wording' => $this->wording,
            'clearing' => $this->clearing?->value,
        ];
    }

    public function isEmpty(): bool
    {
        return $this->equals(self::none());
    }

    public function equals(self $other): bool
    {
        return $this->sorted() === $other->sorted();
    }

    /** These, and where they say nothing those of a place further out: what one says of every question is nearer than what that says of a kind. */
    public function over(self $further): self
    {
        $byKind = [];
        foreach (KindId::cases() as $kind) {
            $values = $this->for($kind)->over($further->for($kind));
            $byKind += $values->values === [] ? [] : [$kind->value => $values];
        }

        return new self($this->every->over($further->every), $byKind, [...$further->wording, ...$this->wording], $this->clearing ?? $further->clearing);
    }

    /** What reaches questions of a kind: what is set for every one, but for what only counts when it is set for the kind, and what is set for it. */
    public function for(KindId $kind): Settings
    {
        $every = array_reduce($kind->facts()->notFromEvery, static fn (Settings $every, Setting $s): Settings => $every->without($s), $this->every);

        return isset($this->byKind[$kind->value]) ? $this->byKind[$kind->value]->over($every) : $every;
    }

    /** @return array<string, mixed> */
    private function sorted(): array
    {
        $all = $this->toData();
        ksort($all['settings']);
        ksort($all['byKind']);
        $all['byKind'] = array_map(static function (array $values): array {
            ksort($values);

            return $values;
        }, $all['byKind']);

        return $all;
    }
}
