<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Qti\Writing\Kinds;

use Zetema\Core\Exchange\Qti\Writing\Bodies\FieldBody;
use Zetema\Core\Exchange\Qti\Writing\Body;
use Zetema\Core\Exchange\Qti\Writing\Html;
use Zetema\Core\Exchange\Qti\Writing\Version;
use Zetema\Core\Question\Kinds\Gaps\Gap;
use Zetema\Core\Question\Kinds\Gaps\Gaps;
use Zetema\Core\Question\Kinds\KindId;
use Zetema\Core\Question\Question;
use Zetema\Core\Question\Settings\EffectiveSettings;

final readonly class GapsWriter implements KindWriter
{
    public static function kind(): KindId
    {
        return KindId::Gaps;
    }

    public function body(Question $question, EffectiveSettings $settings, Html $html, Version $version): Body
    {
        return FieldBody::gaps($question, self::of($question), $settings, $html);
    }

    public function lost(Question $question, EffectiveSettings $settings): array
    {
        return [
            'pattern' => FieldBody::hasPattern(
                array_merge(...array_map(static fn (Gap $gap): array => $gap->wordings, self::of($question)->gaps)),
            ),
            'key: none' => $settings->isKeyless(),
        ];
    }

    private static function of(Question $question): Gaps
    {
        return $question->kind instanceof Gaps ? $question->kind : throw new \LogicException('it is of another kind');
    }
}
