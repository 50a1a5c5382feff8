<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Qti\Writing\Kinds;

use Zetema\Core\Exchange\Qti\Writing\Bodies\ChoiceBody;
use Zetema\Core\Exchange\Qti\Writing\Body;
use Zetema\Core\Exchange\Qti\Writing\Html;
use Zetema\Core\Exchange\Qti\Writing\Version;
use Zetema\Core\Question\Kinds\KindId;
use Zetema\Core\Question\Kinds\Several\Several;
use Zetema\Core\Question\Question;
use Zetema\Core\Question\Settings\EffectiveSettings;

final readonly class SeveralWriter implements KindWriter
{
    public static function kind(): KindId
    {
        return KindId::Several;
    }

    public function body(Question $question, EffectiveSettings $settings, Html $html, Version $version): Body
    {
        return ChoiceBody::of($question, self::of($question), $settings, $html);
    }

    public function lost(Question $question, EffectiveSettings $settings): array
    {
        return ChoiceBody::lost(self::of($question));
    }

    private static function of(Question $question): Several
    {
        return $question->kind instanceof Several ? $question->kind : throw new \LogicException('it is of another kind');
    }
}
