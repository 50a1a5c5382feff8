<?php

declare(strict_types=1);

namespace Zetema\App\Shared\Dialect;

/** How a database searches the words of questions; what is looked for is a parameter, written as SearchIndex::query has it. */
interface Words
{
    /** The ids of the questions found, as a subquery's SELECT. */
    public function found(string $parameter): string;

    /** How many are found: what to count from, with its condition. */
    public function from(string $parameter): string;

    /** FROM … WHERE …: the questions `q` found, in the order in which the index has them (order()). */
    public function alongFrom(): string;

    public function alongWhere(string $parameter): string;

    public function order(): string;

    /** The most alike first, for alongFrom(). */
    public function nearest(): string;

    /** The words around what was found, which stands between the control signs 2 and 3. */
    public function hit(): string;

    /** Parameters: id, bank, words. */
    public function put(): string;

    /** Parameter: id. */
    public function forget(): string;

    /** What is no question any more. */
    public function forgetRemoved(): string;

    /** Parameters: the distance of ids, the new bank's, and bank, after and last of those to copy. */
    public function copy(): string;
}
