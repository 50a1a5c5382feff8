<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\TypedPaper;

use Zetema\Core\Exchange\TypedPaper\Lines\PaperLine;
use Zetema\Core\Exchange\Written\Styled;

/** A choice, or an item, of a question in a paper. */
final class Choice extends Piece
{
    /** By what it is marked as the key: "sign" or "look"; null: not. */
    public ?string $mark = null;

    /** @param string $sign the bullet it stands behind */
    public function __construct(public readonly string $letter, PaperLine $line, Styled $text, public readonly string $sign = '')
    {
        parent::__construct($line, $text);
    }
}
