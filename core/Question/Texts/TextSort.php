<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Texts;

/** What a text of a question is to its author. */
enum TextSort: string
{
    case Stem = 'stem';
    case Choice = 'choice';
    /** What is matched, sorted, ordered or placed. */
    case Part = 'part';
    /** What parts are matched to or sorted into. */
    case Target = 'target';
    /** What is accepted when it is typed. */
    case Wording = 'wording';
    /** Of an area or a spot of a picture. */
    case Name = 'name';
    /** What a picture shows, for those who do not see it. */
    case Description = 'description';
    case ScaleEnd = 'end of a scale';
    case Hint = 'hint';
    case Feedback = 'feedback';
    /** How to answer. */
    case Instruction = 'instruction';
}
