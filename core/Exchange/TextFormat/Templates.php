<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\TextFormat;

use Zetema\Core\Question\Kinds\KindId;

/** A question of each kind to be typed over, in the text format: what stands in braces is to be written; without them it is whole. */
final class Templates
{
    private const BELOW = "  hint: {what helps}\n  if wrong: {what is said then}\n";

    public static function of(KindId $kind): string
    {
        return self::text($kind) . ($kind->facts()->isJudged ? self::BELOW : '');
    }

    private static function text(KindId $kind): string
    {
        return match ($kind) {
            KindId::One => "one: {What is asked?}\n  yes: {the right answer}\n    says: {why}\n  no: {another}\n    says: {why not}\n  no: {a third}\n  no: {a fourth}\n",
            KindId::Several => "several: {Which of these …?}\n  marking: parts\n  yes: {one that is right}\n  yes: {another}\n  no: {one that is not}\n    says: {why not}\n  no: {a fourth}\n",
            KindId::Claim => "true: {A statement that is true, or false: then begin the line so.}\n",
            KindId::Text => "text: {What is it called?}\n  answer: {its name}\n  answer 50 %: {something near}\n    says: {what is missing}\n  typos: 1\n",
            KindId::Number => "number: {How many?}\n  answer: {14} within {0.5}\n  unit: {kg}\n",
            KindId::Gaps => "gaps: {A sentence with a} ___ {and another} ___.\n  marking: parts\n  gap 1: {what is typed}\n  gap 2 yes: {what is picked}\n  gap 2 no: {another}\n",
            KindId::Pairs => "pairs: {What belongs together?}\n  marking: parts\n  pair: {one}\n  with: {its other}\n  pair: {two}\n  with: {the other of two}\n  spare with: {belongs to none}\n",
            KindId::Groups => "groups: {Where does each belong?}\n  marking: parts\n  group: {a group}\n    item: {what is in it}\n  group: {another group}\n    item: {what is in that}\n  spare item: {belongs to none}\n",
            KindId::Order => "order: {Put these in order.}\n  marking: parts by neighbour\n  item: {first}\n  item: {second}\n  item: {third}\n",
            KindId::Regions => "regions: {Click where it is.}\n  image: {picture.svg}\n    shows: {what the picture shows}\n  area yes: ellipse {100} {100} {40} {30}\n    name: {what it is}\n    says: {what is said of it}\n  area no: rectangle {10} {10} {80} {60}\n",
            KindId::Place => "place: {Put each label where it belongs.}\n  marking: parts\n  image: {picture.svg}\n    shows: {what the picture shows}\n  spot: {100} {100} {30}\n  spot: {100} {200} {30}\n  label: {one}\n  at: 1\n  label: {two}\n  at: 2\n",
            KindId::Rating => "rating: {How sure are you?}\n  scale: 1 to 5\n  ends: {not at all}, {completely}\n",
        };
    }
}
