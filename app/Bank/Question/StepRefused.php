<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Question;

use Zetema\Core\Data\ToldToPeople;
use Zetema\Core\Question\Status;

/** A step of a question's status that there is not, or that is somebody else's to take. */
final class StepRefused extends \DomainException implements ToldToPeople
{
    public static function step(Status $from, Status $to, bool $authorsMay): self
    {
        return new self(
            $authorsMay
                ? sprintf('A question that is %s is made %s by its authors.', $from->value, $to->value)
                : sprintf('A question that is %s cannot be made %s.', $from->value, $to->value),
        );
    }

    public static function toOneWhoWrote(): self
    {
        return new self('You wrote in this question since it was last cleared; another person clears it.');
    }
}
