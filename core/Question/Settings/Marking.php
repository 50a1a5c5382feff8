<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Settings;

/** By which rule a response earns a share of the worth. */
enum Marking: string
{
    case Whole = 'whole';
    case Parts = 'parts';
    case PartsByPlace = 'parts by place';
    case PartsByNeighbour = 'parts by neighbour';
    case Each = 'each';
    case Weighed = 'weighed';
}
