<?php

declare(strict_types=1);

namespace Zetema\Core\Question;

/** The kinds of questions. Everything that makes a kind stands in its class under Kinds/. */
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
            self::One => Kinds\One\One::class,
            self::Several => Kinds\Several\Several::class,
            self::Claim => Kinds\Claim\Claim::class,
            self::Number => Kinds\Number\Number::class,
            self::Text => Kinds\Text\Text::class,
            self::Gaps => Kinds\Gaps\Gaps::class,
            self::Pairs => Kinds\Pairs\Pairs::class,
            self::Groups => Kinds\Groups\Groups::class,
            self::Order => Kinds\Order\Order::class,
            self::Regions => Kinds\Regions\Regions::class,
            self::Place => Kinds\Place\Place::class,
            self::Rating => Kinds\Rating\Rating::class,
        };
    }
}
