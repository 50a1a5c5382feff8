<?php

declare(strict_types=1);

namespace Zetema\Core\Blueprint\Rules;

/** What is on a screen: one step, or the steps of a section between two checkpoints. */
enum Sharing: string
{
    case Question = 'question';
    case Section = 'section';
}
