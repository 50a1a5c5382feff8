<?php

declare(strict_types=1);

namespace Zetema\App\People;

use Symfony\Component\Security\Core\Exception\AuthenticationException;

/** An attempt to log in that has to wait, after several that failed. */
final class TooSoon extends AuthenticationException
{
    public function __construct(public readonly int $seconds)
    {
        parent::__construct('too soon after attempts that failed');
    }
}
