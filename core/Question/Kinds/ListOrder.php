<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Kinds;

/** In which order a candidate sees what a question has to choose from or to sort. */
enum ListOrder
{
    /** as written: nothing in it is a list to choose from */
    case AsWritten;
    /** as written, or shuffled where that is set; what is pinned keeps its place */
    case ShuffledIfSet;
    /** always shuffled: as written it would tell the answer */
    case Shuffled;
    /** always shuffled, and once more where it came out solved */
    case ShuffledUnsolved;
}
