<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange;

/** The ways in. */
enum SourceFormat: string
{
    case Text = 'text';
    case Paper = 'paper';
    case Table = 'table';
    case Qti = 'qti';
    case Archive = 'archive';
}
