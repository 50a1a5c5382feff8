<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Qti\Writing\Kinds;

use Zetema\Core\Exchange\Qti\Writing\Bodies\FieldBody;
use Zetema\Core\Exchange\Qti\Writing\Body;
use Zetema\Core\Exchange\Qti\Writing\Html;
use Zetema\Core\Exchange\Qti\Writing\Version;
use Zetema\Core\Question\Kinds\KindId;
use Zetema\Core\Question\Kinds\Text\Text;
use Zetema\Core\Question\Question;
use Zetema\Core\Question\Settings\EffectiveSettings;

final readonly class TextWriter implements KindWriter
{
    public static function kind(): KindId
    {
        return KindId::Text;
    }

    public function body(Question $question, EffectiveSettings $settings, Html $html, Version $version): Body
    {
        return FieldBody::text($question, self::of($question), $settings, $html);
    }

    public function lost(Question $question, EffectiveSettings $settings): array
    {
        return ['pattern' => FieldBody::hasPattern(self::of($question)->wordings)];
    }

    private static function of(Question $question): Text
    {
        return $question->kind instanceof Text ? $question->kind : throw new \LogicException('it is of another kind');
    }
}
