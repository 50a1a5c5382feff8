<?php

declare(strict_types=1);

namespace Zetema\App\Shared;

use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpKernel\Event\RequestEvent;
use Symfony\Component\HttpKernel\Event\ResponseEvent;

/** What holds for every request and every reply, whatever it is about. */
final class RequestHygiene
{
    /** Addresses are UTF-8: nothing behind this is asked to look for half a letter. */
    #[AsEventListener(priority: 80)]
    public function onRequest(RequestEvent $event): void
    {
        $request = $event->getRequest();
        if (str_starts_with($request->getPathInfo(), '/api') && !mb_check_encoding(rawurldecode($request->getRequestUri()), 'UTF-8')) {
            $event->setResponse(
                ProblemDetails::response(
                    422,
                    'malformed',
                    'This cannot be taken as it is',
                    'The address is not UTF-8. Type what you look for again.',
                    ['field' => 'address'],
                ),
            );
        }
    }

    /**
     * A reply of the API is data: nothing runs in it, nothing is loaded by it, nothing shows it in a frame, and no browser takes it for
     * something else.
     */
    #[AsEventListener(priority: -10)]
    public function onResponse(ResponseEvent $event): void
    {
        if (!str_starts_with($event->getRequest()->getPathInfo(), '/api')) {
            return;
        }
        $headers = $event->getResponse()->headers;
        $headers->set('X-Content-Type-Options', 'nosniff');
        if (!$headers->has('Content-Security-Policy')) {
            $headers->set('Content-Security-Policy', "default-src 'none'; frame-ancestors 'none'");
        }
    }
}
