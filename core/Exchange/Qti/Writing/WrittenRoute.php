<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Qti\Writing;

/** Where a section leads if what one question, or all so far, was worth compares so; or that it is asked only then. */
final readonly class WrittenRoute
{
    public const END = 'EXIT_TEST';

    /**
     * @param string|null $of the question's name; null: all so far
     * @param string $is lt, lte, gt, gte or equal
     * @param string $than points
     * @param string|null $to identifier of a section, or END; null: it must hold, or the section is not asked
     */
    public function __construct(public ?string $of, public string $is, public string $than, public ?string $to)
    {
    }
}
