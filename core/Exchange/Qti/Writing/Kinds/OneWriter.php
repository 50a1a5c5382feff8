<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Qti\Writing\Kinds;

use Zetema\Core\Exchange\Qti\Writing\Bodies\ChoiceBody;
use Zetema\Core\Exchange\Qti\Writing\Body;
use Zetema\Core\Exchange\Qti\Writing\Html;
use Zetema\Core\Exchange\Qti\Writing\Version;
use Zetema\Core\Question\Answers\Choice;
use Zetema\Core\Question\Kinds\KindId;
use Zetema\Core\Question\Kinds\One\One;
use Zetema\Core\Question\Question;
use Zetema\Core\Question\Settings\EffectiveSettings;
use Zetema\Core\Question\Settings\Marking;

final readonly class OneWriter implements KindWriter
{
    public static function kind(): KindId
    {
        return KindId::One;
    }

    public function body(Question $question, EffectiveSettings $settings, Html $html, Version $version): Body
    {
        return ChoiceBody::of($question, self::of($question), $settings, $html);
    }

    public function lost(Question $question, EffectiveSettings $settings): array
    {
        return [
            ...ChoiceBody::lost(self::of($question)),
            'yes, the second key' => $settings->marking() === Marking::Weighed &&
                count(array_filter(self::of($question)->choices(), static fn (Choice $c): bool => $c->isKey)) > 1,
        ];
    }

    private static function of(Question $question): One
    {
        return $question->kind instanceof One ? $question->kind : throw new \LogicException('it is of another kind');
    }
}
