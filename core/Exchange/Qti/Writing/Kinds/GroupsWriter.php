<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Qti\Writing\Kinds;

use Zetema\Core\Exchange\Qti\Writing\Bodies\MatchBody;
use Zetema\Core\Exchange\Qti\Writing\Body;
use Zetema\Core\Exchange\Qti\Writing\Html;
use Zetema\Core\Exchange\Qti\Writing\Version;
use Zetema\Core\Question\Kinds\Groups\Groups;
use Zetema\Core\Question\Kinds\KindId;
use Zetema\Core\Question\Question;
use Zetema\Core\Question\Settings\EffectiveSettings;

final readonly class GroupsWriter implements KindWriter
{
    public static function kind(): KindId
    {
        return KindId::Groups;
    }

    public function body(Question $question, EffectiveSettings $settings, Html $html, Version $version): Body
    {
        return MatchBody::groups($question, self::of($question), $settings, $html);
    }

    public function lost(Question $question, EffectiveSettings $settings): array
    {
        return ['key: none' => $settings->isKeyless()];
    }

    private static function of(Question $question): Groups
    {
        return $question->kind instanceof Groups ? $question->kind : throw new \LogicException('it is of another kind');
    }
}
