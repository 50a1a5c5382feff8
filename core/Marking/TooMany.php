<?php

declare(strict_types=1);

namespace Zetema\Core\Marking;

/** Something that could only be computed exactly by trying more cases than is reasonable. */
final class TooMany extends \DomainException
{
}
