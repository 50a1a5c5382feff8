<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Qti\Writing\Kinds;

use Zetema\Core\Exchange\Qti\Writing\Bodies\MatchBody;
use Zetema\Core\Exchange\Qti\Writing\Body;
use Zetema\Core\Exchange\Qti\Writing\Html;
use Zetema\Core\Exchange\Qti\Writing\Version;
use Zetema\Core\Question\Answers\Part;
use Zetema\Core\Question\Kinds\KindId;
use Zetema\Core\Question\Kinds\Place\Place;
use Zetema\Core\Question\Question;
use Zetema\Core\Question\Settings\EffectiveSettings;

final readonly class PlaceWriter implements KindWriter
{
    public static function kind(): KindId
    {
        return KindId::Place;
    }

    public function body(Question $question, EffectiveSettings $settings, Html $html, Version $version): Body
    {
        return MatchBody::place($question, self::of($question), $settings, $html, $version);
    }

    public function lost(Question $question, EffectiveSettings $settings): array
    {
        return [
            'name of a spot' => array_filter(array_column(self::of($question)->spots, 'name'), is_string(...)) !== [],
            'at, a second spot' => array_filter(self::of($question)->labels, static fn (Part $label): bool => count($label->belongs) > 1) !== [],
            'key: none' => $settings->isKeyless(),
        ];
    }

    private static function of(Question $question): Place
    {
        return $question->kind instanceof Place ? $question->kind : throw new \LogicException('it is of another kind');
    }
}
