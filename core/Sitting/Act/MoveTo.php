<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\Act;

use Zetema\Core\Time\Instant;

/** To another screen of the stretch: that of a question, or of a page. */
final readonly class MoveTo extends Act
{
    /**
     * @param string|null $question its name
     * @param string|null $step of a page
     */
    private function __construct(Instant $at, public ?string $question, public ?string $step)
    {
        parent::__construct($at);
    }

    public static function question(Instant $at, string $name): self
    {
        return new self($at, $name, null);
    }

    /** @param string $step of a page */
    public static function page(Instant $at, string $step): self
    {
        return new self($at, null, $step);
    }
}
