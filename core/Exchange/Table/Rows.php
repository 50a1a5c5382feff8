<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Table;

use Zetema\Core\Exchange\Aside;

/** The rows of a file that holds a table. */
interface Rows
{
    /** Rows of a table. */
    public const MOST_ROWS = 100_000;
    /** Columns that are looked at. */
    public const MOST_COLUMNS = 200;
    /** Characters of a cell. */
    public const LONGEST_CELL = 100_000;

    /** @return \Generator<int, Row> */
    public function rows(): \Generator;

    /** @return list<Aside> what is not read, such as further sheets */
    public function aside(): array;
}
