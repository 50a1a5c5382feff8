<?php

declare(strict_types=1);

namespace Zetema\App\People;

use Symfony\Bundle\SecurityBundle\Security;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpKernel\Event\RequestEvent;
use Zetema\App\Shared\ProblemDetails;

/**
 * A page says whose it is. If somebody else has logged in in the same browser since, nothing of it is done in their name: it is asked
 * to have its own person log in again, and what it has not sent yet stays on it.
 */
final readonly class SameAccount
{
    public const HEADER = 'X-Zetema-Account';

    public function __construct(private Security $security)
    {
    }

    #[AsEventListener(priority: 4)]
    public function onRequest(RequestEvent $event): void
    {
        $request = $event->getRequest();
        $whose = $request->headers->get(self::HEADER);
        if (
            $whose === null ||
            !str_starts_with($request->getPathInfo(), '/api/') ||
            in_array($request->getPathInfo(), ['/api/log-in', '/api/log-out', '/api/me'], true)
        ) {
            return;
        }
        $account = $this->security->getUser();
        if ($account instanceof Account && (string) $account->id !== $whose) {
            $event->setResponse(
                ProblemDetails::response(
                    401,
                    'other-account',
                    'Somebody else is logged in',
                    sprintf(
                        '%s has logged in in this browser since this page was opened. Nothing was done in their name; log in again as yourself to go on.',
                        $account->name,
                    ),
                ),
            );
        }
    }
}
