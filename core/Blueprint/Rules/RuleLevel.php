<?php

declare(strict_types=1);

namespace Zetema\Core\Blueprint\Rules;

/** How far in a blueprint a rule can be made; it can be made further out too. */
enum RuleLevel: string
{
    case Whole = 'whole';
    case Section = 'section';
    case Step = 'step';
}
