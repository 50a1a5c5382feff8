<?php

declare(strict_types=1);

namespace Zetema\App\People;

use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\PasswordHasher\Exception\InvalidPasswordException;
use Symfony\Component\PasswordHasher\Hasher\PasswordHasherFactoryInterface;
use Symfony\Component\Security\Core\Exception\AuthenticationException;
use Symfony\Component\Security\Core\Exception\UserNotFoundException;
use Symfony\Component\Security\Http\Authentication\AuthenticationFailureHandlerInterface;
use Zetema\App\Shared\ProblemDetails;

/** The answer to a log-in that failed. An unknown name takes as long as a wrong password, so that time tells nothing. */
final readonly class NotLoggedIn implements AuthenticationFailureHandlerInterface
{
    public function __construct(private PasswordHasherFactoryInterface $hashers)
    {
    }

    public function onAuthenticationFailure(Request $request, AuthenticationException $exception): Response
    {
        if ($exception instanceof TooSoon) {
            $wait = $exception->seconds === 1 ? 'a second' : $exception->seconds . ' seconds';
            $answer = ProblemDetails::response(
                429,
                'too-soon',
                'Not so fast',
                sprintf('Logging in under this name failed several times. Wait %s, then try again; the right password will do.', $wait),
                ['seconds' => $exception->seconds],
            );
            $answer->headers->set('Retry-After', (string) $exception->seconds);

            return $answer;
        }
        if ($exception instanceof UserNotFoundException || $exception->getPrevious() instanceof UserNotFoundException) {
            $this->hashAnyway($request);
        }

        return ProblemDetails::response(
            401,
            'password',
            'Not logged in',
            'This name and password do not go together. Check both; capital letters count in the password.',
        );
    }

    private function hashAnyway(Request $request): void
    {
        $body = json_decode($request->getContent(), true);
        $password = is_array($body) && is_string($body['password'] ?? null) ? $body['password'] : '';
        try {
            $this->hashers->getPasswordHasher(Account::class)->hash($password);
        } catch (InvalidPasswordException) {
            // too long to be hashed, as it would be for a known name
        }
    }
}
