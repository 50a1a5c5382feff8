<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Kinds;

/** The kinds of questions. Everything that makes a kind stands in its folder; here it is registered. */
enum KindId: string
{
    case One = 'one';
    case Several = 'several';
    case Claim = 'claim';
    case Number = 'number';
    case Text = 'text';
    case Gaps = 'gaps';
    case Pairs = 'pairs';
    case Groups = 'groups';
    case Order = 'order';
    case Regions = 'regions';
    case Place = 'place';
    case Rating = 'rating';

    /** @return class-string<Kind> */
    public function definition(): string
    {
        return match ($this) {
            self::One => One\One::class,
            self::Several => Several\Several::class,
            self::Claim => Claim\Claim::class,
            self::Number => Number\Number::class,
            self::Text => Text\Text::class,
            self::Gaps => Gaps\Gaps::class,
            self::Pairs => Pairs\Pairs::class,
            self::Groups => Groups\Groups::class,
            self::Order => Order\Order::class,
            self::Regions => Regions\Regions::class,
            self::Place => Place\Place::class,
            self::Rating => Rating\Rating::class,
        };
    }

    public function facts(): KindFacts
    {
        /** @var array<string, KindFacts> $facts */
        static $facts = [];

        return $facts[$this->value] ??= $this->definition()::facts();
    }

    /** The kind of a question that opens with this word. */
    public static function openedBy(string $word): ?self
    {
        /** @var array<string, self> $byWord */
        static $byWord = [];
        if ($byWord === []) {
            foreach (self::cases() as $kind) {
                $byWord += array_fill_keys($kind->facts()->opening, $kind);
            }
        }

        return $byWord[$word] ?? null;
    }
}
