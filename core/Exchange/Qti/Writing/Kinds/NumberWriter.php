<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Qti\Writing\Kinds;

use Zetema\Core\Exchange\Qti\Writing\Bodies\FieldBody;
use Zetema\Core\Exchange\Qti\Writing\Body;
use Zetema\Core\Exchange\Qti\Writing\Html;
use Zetema\Core\Exchange\Qti\Writing\Version;
use Zetema\Core\Question\Answers\Span;
use Zetema\Core\Question\Kinds\KindId;
use Zetema\Core\Question\Kinds\Number\Number;
use Zetema\Core\Question\Question;
use Zetema\Core\Question\Settings\EffectiveSettings;

final readonly class NumberWriter implements KindWriter
{
    public static function kind(): KindId
    {
        return KindId::Number;
    }

    public function body(Question $question, EffectiveSettings $settings, Html $html, Version $version): Body
    {
        return FieldBody::number($question, self::of($question), $html);
    }

    public function lost(Question $question, EffectiveSettings $settings): array
    {
        return [
            'answer, a fraction' => array_filter(self::of($question)->spans, static fn (Span $s): bool => str_contains($s->words, '/')) !== [],
        ];
    }

    private static function of(Question $question): Number
    {
        return $question->kind instanceof Number ? $question->kind : throw new \LogicException('it is of another kind');
    }
}
