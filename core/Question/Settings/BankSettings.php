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
    /** @var array<string, array<string, string>> */
    public array $kindWording;

    /**
     * @param array<string, Settings> $byKind
     * @param array<string, string> $wording what is said after an outcome, by the outcome, in the small Markdown
     * @param array<string, array<string, string>> $kindWording the same by kind, which is nearer
     * @param Clearing|null $clearing null: it is not said here
     */
    public function __construct(
        public Settings $every,
        public array $byKind = [],
        array $wording = [],
        array $kindWording = [],
        public ?Clearing $clearing = null,
    ) {
        $this->wording = self::said($wording);
        $said = [];
        foreach (KindId::cases() as $kind) {
            $said[$kind->value] = self::said($kindWording[$kind->value] ?? []);
        }
        $this->kindWording = array_filter($said);
    }

    public static function none(): self
    {
        return new self(Settings::none());
    }

    public static function fromData(Fields $data): self
    {
        $byKind = $kindWording = [];
        foreach (KindId::cases() as $kind) {
            $values = ($data->optionalObject('byKind') ?? Fields::of([]))->textMap($kind->value);
            $byKind += $values === [] ? [] : [$kind->value => Settings::of($values)];
            $kindWording[$kind->value] = ($data->optionalObject('kindWording') ?? Fields::of([]))->textMap($kind->value);
        }
        $clearing = $data->optionalText('clearing');

        return new self(
            Settings::of($data->textMap('settings')),
            $byKind,
            $data->textMap('wording'),
            $kindWording,
            $clearing === null ? null : Clearing::of($clearing),
        );
    }

    /**
     * @return array{settings: array<string, string>, byKind: array<string, array<string, string>>, wording: array<string, string>,
     *   kindWording: array<string, array<string, string>>, clearing: string|null}
     */
    public function toData(): array
    {
        return [
            'settings' => $this->every->values,
            'byKind' => array_filter(array_map(static fn (Settings $s): array => $s->values, $this->byKind)),
            'wording' => $this->wording,
            'kindWording' => $this->kindWording,
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

    /**
     * These, and where they say nothing those of a place further out: what one says of every question is nearer than what that says of a
     * kind.
     */
    public function over(self $further): self
    {
        $byKind = $kindWording = [];
        foreach (KindId::cases() as $kind) {
            $values = $this->for($kind)->over($further->for($kind));
            $byKind += $values->values === [] ? [] : [$kind->value => $values];
            $kindWording[$kind->value] = [...$further->wordingFor($kind), ...$this->wordingFor($kind)];
        }

        return new self(
            $this->every->over($further->every),
            $byKind,
            [...$further->wording, ...$this->wording],
            $kindWording,
            $this->clearing ?? $further->clearing,
        );
    }

    /**
     * What reaches questions of a kind: what is set for every one, but for what only counts when it is set for the kind, and what is set
     * for it.
     */
    public function for(KindId $kind): Settings
    {
        $every = array_reduce(
            $kind->facts()->notFromEvery,
            static fn (Settings $every, Setting $s): Settings => $every->without($s),
            $this->every,
        );

        return isset($this->byKind[$kind->value]) ? $this->byKind[$kind->value]->over($every) : $every;
    }

    /** @return array<string, string> what is said after an outcome to a question of a kind that says nothing itself, by the outcome */
    public function wordingFor(KindId $kind): array
    {
        return [...$this->wording, ...$this->kindWording[$kind->value] ?? []];
    }

    /**
     * @param array<string, string> $wording
     *
     * @return array<string, string> of outcomes, in their order, without those that say nothing
     */
    private static function said(array $wording): array
    {
        $said = [];
        foreach (Outcome::cases() as $outcome) {
            $said[$outcome->value] = AuthorText::tidy($wording[$outcome->value] ?? '');
        }

        return array_filter($said, static fn (string $text): bool => $text !== '');
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
