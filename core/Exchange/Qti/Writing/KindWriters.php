<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Qti\Writing;

use Zetema\Core\Exchange\Qti\Writing\Bodies\ChoiceBody;
use Zetema\Core\Exchange\Qti\Writing\Bodies\FieldBody;
use Zetema\Core\Exchange\Qti\Writing\Bodies\MatchBody;
use Zetema\Core\Exchange\Qti\Writing\Bodies\RegionsBody;
use Zetema\Core\Question\Kinds\Common\ChoiceKind;
use Zetema\Core\Question\Kinds\Gaps\Gaps;
use Zetema\Core\Question\Kinds\Groups\Groups;
use Zetema\Core\Question\Kinds\Kind;
use Zetema\Core\Question\Kinds\KindId;
use Zetema\Core\Question\Kinds\Number\Number;
use Zetema\Core\Question\Kinds\Order\Order;
use Zetema\Core\Question\Kinds\Pairs\Pairs;
use Zetema\Core\Question\Kinds\Place\Place;
use Zetema\Core\Question\Kinds\Rating\Rating;
use Zetema\Core\Question\Kinds\Regions\Regions;
use Zetema\Core\Question\Kinds\Text\Text;
use Zetema\Core\Question\Question;
use Zetema\Core\Question\Settings\EffectiveSettings;

/** One writer a kind: how its answers stand in an item of the standard. A kind without one is left out of a package, and listed there. */
final readonly class KindWriters
{
    /** @param array<string, \Closure(Question, EffectiveSettings, Html, Version): Body> $writers by the kind's id */
    public function __construct(public array $writers)
    {
    }

    public static function all(): self
    {
        $choice = static fn (Question $q, EffectiveSettings $s, Html $h): Body => ChoiceBody::of($q, self::as(ChoiceKind::class, $q->kind), $s, $h);

        return new self([
            KindId::One->value => $choice,
            KindId::Several->value => $choice,
            KindId::Claim->value => $choice,
            KindId::Rating->value => static fn (Question $q, EffectiveSettings $s, Html $h): Body => ChoiceBody::rating($q, self::as(Rating::class, $q->kind), $h),
            KindId::Text->value => static fn (Question $q, EffectiveSettings $s, Html $h): Body => FieldBody::text($q, self::as(Text::class, $q->kind), $s, $h),
            KindId::Number->value => static fn (Question $q, EffectiveSettings $s, Html $h): Body => FieldBody::number($q, self::as(Number::class, $q->kind), $h),
            KindId::Gaps->value => static fn (Question $q, EffectiveSettings $s, Html $h): Body => FieldBody::gaps($q, self::as(Gaps::class, $q->kind), $s, $h),
            KindId::Pairs->value => static fn (Question $q, EffectiveSettings $s, Html $h): Body => MatchBody::pairs($q, self::as(Pairs::class, $q->kind), $s, $h),
            KindId::Groups->value => static fn (Question $q, EffectiveSettings $s, Html $h): Body => MatchBody::groups($q, self::as(Groups::class, $q->kind), $s, $h),
            KindId::Order->value => static fn (Question $q, EffectiveSettings $s, Html $h): Body => MatchBody::order($q, self::as(Order::class, $q->kind), $s, $h),
            KindId::Place->value => static fn (Question $q, EffectiveSettings $s, Html $h, Version $v): Body => MatchBody::place($q, self::as(Place::class, $q->kind), $s, $h, $v),
            KindId::Regions->value => static fn (Question $q, EffectiveSettings $s, Html $h): Body => RegionsBody::of($q, self::as(Regions::class, $q->kind), $s, $h),
        ]);
    }

    public function knows(Question $question): bool
    {
        return isset($this->writers[$question->kind::id()->value]);
    }

    public function body(Question $question, EffectiveSettings $settings, Html $html, Version $version): Body
    {
        $write = $this->writers[$question->kind::id()->value] ?? throw new \LogicException('whoever writes asks first whether the kind is known');

        return $write($question, $settings, $html, $version);
    }

    /**
     * @template K of Kind
     *
     * @param class-string<K> $class
     *
     * @return K
     */
    private static function as(string $class, Kind $kind): Kind
    {
        return $kind instanceof $class ? $kind : throw new \LogicException("a writer of $class was given another kind");
    }
}
