<?php

declare(strict_types=1);

namespace Zetema\App\Shared;

use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpKernel\Event\RequestEvent;

/**
 * Whatever changes something must come from our own pages: they send a header that other sites cannot add, and browsers
 * tell where a request comes from. The session cookie is same-site besides.
 */
final class CrossSiteCheck
{
    public const HEADER = 'X-Zetema';

    #[AsEventListener(priority: 64)]
    public function onRequest(RequestEvent $event): void
    {
        $request = $event->getRequest();
        if (!str_starts_with($request->getPathInfo(), '/api') || $request->isMethodSafe()) {
            return;
        }
        $origin = $request->headers->get('Origin');
        $site = $request->headers->get('Sec-Fetch-Site', 'same-origin');
        $foreign = ($origin !== null && $origin !== $request->getSchemeAndHttpHost()) || !in_array($site, ['same-origin', 'none'], true);
        if ($foreign || !$request->headers->has(self::HEADER)) {
            $event->setResponse(
                ProblemDetails::response(
                    403,
                    'cross-site',
                    'Refused',
                    'This request did not come from a page of this application. Reload the page and try again.',
                ),
            );
        }
    }
}
