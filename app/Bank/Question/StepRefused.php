<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Question;

use Zetema\Core\Question\Status;

/** A step of a question's status that there is not, or that is somebody else's to take. */
final class StepRefused extends \DomainException
{
    public function __construct(Status $from, Status $to, bool $authorsMay)
    {
        parent::__construct($authorsMay
            ? sprintf('A question that is %s is made %s by its authors.', $from->value, $to->value)
            : sprintf('A question that is %s cannot be made %s.', $from->value, $to->value));
    }
}
