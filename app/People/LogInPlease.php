<?php

declare(strict_types=1);

namespace Zetema\App\People;

use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Security\Core\Exception\AuthenticationException;
use Symfony\Component\Security\Http\EntryPoint\AuthenticationEntryPointInterface;
use Zetema\App\Shared\ProblemDetails;

/** The answer to whoever is not logged in, or no longer. */
final class LogInPlease implements AuthenticationEntryPointInterface
{
    public function start(Request $request, ?AuthenticationException $authException = null): Response
    {
        return ProblemDetails::response(
            401,
            'log-in',
            'Please log in',
            'You are not logged in, or your session has expired. Log in again; what you typed is still on the page.',
        );
    }
}
