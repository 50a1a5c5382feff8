<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Qti\Writing\Kinds;

use Zetema\Core\Exchange\Qti\Writing\Bodies\ChoiceBody;
use Zetema\Core\Exchange\Qti\Writing\Body;
use Zetema\Core\Exchange\Qti\Writing\Html;
use Zetema\Core\Exchange\Qti\Writing\Version;
use Zetema\Core\Question\Kinds\KindId;
use Zetema\Core\Question\Kinds\Rating\Rating;
use Zetema\Core\Question\Question;
use Zetema\Core\Question\Settings\EffectiveSettings;

final readonly class RatingWriter implements KindWriter
{
    public static function kind(): KindId
    {
        return KindId::Rating;
    }

    public function body(Question $question, EffectiveSettings $settings, Html $html, Version $version): Body
    {
        return ChoiceBody::rating($question, self::of($question), $html);
    }

    public function lost(Question $question, EffectiveSettings $settings): array
    {
        return ['tally' => self::of($question)->tallies !== [], 'key: none' => $settings->isKeyless()];
    }

    private static function of(Question $question): Rating
    {
        return $question->kind instanceof Rating ? $question->kind : throw new \LogicException('it is of another kind');
    }
}
