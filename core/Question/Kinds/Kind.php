<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Kinds;

use Zetema\Core\Data\Fields;
use Zetema\Core\Question\Line;
use Zetema\Core\Question\Problems;
use Zetema\Core\Question\Settings\Settings;

/** What makes a question the kind it is, in five roles. Who needs one of them asks for that. */
interface Kind extends StoredForm, TextForm, Answering, Marked, Lined
{
    public static function id(): KindId;

    public static function fromData(Fields $data): self;

    public static function read(Line $opening, array $parts, Settings $own, Problems $problems): ?self;

    /** What is so for every question of the kind. Ask the id for it, which keeps it. */
    public static function facts(): KindFacts;
}
