<?php

declare(strict_types=1);

namespace Zetema\Core\Drawing\Stock;

/** Questions that a blueprint cannot tell apart; one of them stands for all. A question that it names is a class of its own. */
final readonly class QuestionClass
{
    /**
     * @param int<1, max> $count
     * @param string $key by which its stock knows it
     */
    public function __construct(public EligibleQuestion $sample, public int $count, public string $key)
    {
    }
}
