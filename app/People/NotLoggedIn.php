<?php

declare(strict_types=1);

namespace Zetema\App\People;

use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Security\Core\Exception\AuthenticationException;
use Symfony\Component\Security\Core\Exception\TooManyLoginAttemptsAuthenticationException;
use Symfony\Component\Security\Http\Authentication\AuthenticationFailureHandlerInterface;
use Zetema\App\Shared\ProblemDetails;

final class NotLoggedIn implements AuthenticationFailureHandlerInterface
{
    public function onAuthenticationFailure(Request $request, AuthenticationException $exception): Response
    {
        return $exception instanceof TooManyLoginAttemptsAuthenticationException
            ? ProblemDetails::response(429, 'too-many', 'Too many attempts', 'Too many attempts to log in. Wait a minute, then try again.')
            : ProblemDetails::response(401, 'password', 'Not logged in', 'This name and password do not go together. Check both; capital letters count in the password.');
    }
}
