<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Qti\Writing\Kinds;

use Zetema\Core\Exchange\Qti\Items\Declarations;
use Zetema\Core\Exchange\Qti\Writing\Bodies\RegionsBody;
use Zetema\Core\Exchange\Qti\Writing\Body;
use Zetema\Core\Exchange\Qti\Writing\Html;
use Zetema\Core\Exchange\Qti\Writing\Version;
use Zetema\Core\Question\Kinds\KindId;
use Zetema\Core\Question\Kinds\Regions\Region;
use Zetema\Core\Question\Kinds\Regions\Regions;
use Zetema\Core\Question\Question;
use Zetema\Core\Question\Settings\Areas;
use Zetema\Core\Question\Settings\EffectiveSettings;

final readonly class RegionsWriter implements KindWriter
{
    public static function kind(): KindId
    {
        return KindId::Regions;
    }

    public function body(Question $question, EffectiveSettings $settings, Html $html, Version $version): Body
    {
        return RegionsBody::of($question, self::of($question), $settings, $html);
    }

    public function lost(Question $question, EffectiveSettings $settings): array
    {
        return [
            'name of an area' => $settings->areas() !== Areas::Outlined &&
                array_filter(self::of($question)->regions, static fn (Region $region): bool => $region->name !== null) !== [],
            sprintf('area: more than %d are written, and not read back here', Declarations::MOST_AREAS) => count(self::of($question)->regions) > Declarations::MOST_AREAS,
        ];
    }

    private static function of(Question $question): Regions
    {
        return $question->kind instanceof Regions ? $question->kind : throw new \LogicException('it is of another kind');
    }
}
