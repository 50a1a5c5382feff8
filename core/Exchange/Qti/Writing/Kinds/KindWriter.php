<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Qti\Writing\Kinds;

use Zetema\Core\Exchange\Qti\Writing\Body;
use Zetema\Core\Exchange\Qti\Writing\Html;
use Zetema\Core\Exchange\Qti\Writing\Version;
use Zetema\Core\Question\Kinds\KindId;
use Zetema\Core\Question\Question;
use Zetema\Core\Question\Settings\EffectiveSettings;

/** How questions of one kind stand in an item of the standard. */
interface KindWriter
{
    public static function kind(): KindId;

    /** @param Question $question of the kind */
    public function body(Question $question, EffectiveSettings $settings, Html $html, Version $version): Body;

    /**
     * What of the kind's own lines the standard cannot say.
     *
     * @param Question $question of the kind
     *
     * @return array<string, bool> whether it is so, by the line, which begins with the word of the text format
     */
    public function lost(Question $question, EffectiveSettings $settings): array;
}
