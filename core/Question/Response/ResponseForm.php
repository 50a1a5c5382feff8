<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Response;

/**
 * How the responses of a kind are written as data: their one field, and which numbers in it a candidate's page tells by place,
 * since its lists are mixed there.
 */
enum ResponseForm
{
    /** {"choose": [2, 3]} */
    case Choices;
    /** {"text": "varroa"} */
    case Text;
    /** {"order": [3, 1, 2]} */
    case Order;
    /** {"points": [[120, 80]]} */
    case Points;
    /** {"pairs": {"1": "2"}}: parts as written, each with an entry of the one mixed list */
    case EntryByPart;
    /** {"groups": {"1": "2"}}: parts of the one mixed list, each with what stands as written */
    case MixedParts;
    /** {"gaps": {"1": "2", "2": "varroa"}}: parts as written, each with an entry of its own mixed list, or with a text where it has none */
    case EntryOfOwnList;

    public function isMap(): bool
    {
        return in_array($this, [self::EntryByPart, self::MixedParts, self::EntryOfOwnList], true);
    }
}
