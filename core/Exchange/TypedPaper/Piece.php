<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\TypedPaper;

use Zetema\Core\Exchange\TypedPaper\Lines\PaperLine;
use Zetema\Core\Exchange\Written\Styled;

/** A part of a question in a paper that further lines may go on with. */
class Piece
{
    public function __construct(public readonly PaperLine $line, public Styled $text, public readonly string $is = '')
    {
    }

    public function goOn(BodyLine $more): void
    {
        $this->text = $this->text->isEmpty() ? $more->rest : $this->text->followedBy(new Styled($more->before))->followedBy($more->rest);
    }
}
