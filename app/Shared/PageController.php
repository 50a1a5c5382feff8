<?php

declare(strict_types=1);

namespace Zetema\App\Shared;

use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** The one HTML page of the interface, whatever the address. */
final readonly class PageController
{
    public function __construct(#[Autowire('%kernel.project_dir%/public/build/index.html')] private string $page)
    {
    }

    #[Route('/{path}', name: 'page', requirements: ['path' => '(?!api(/|$)|build/).*'], methods: ['GET'], priority: -100)]
    public function __invoke(): Response
    {
        if (!is_file($this->page)) {
            return new Response('The interface has not been built yet: run bin/demo.', 503, ['Content-Type' => 'text/plain']);
        }

        return new Response((string) file_get_contents($this->page), 200, [
            'Content-Type' => 'text/html; charset=utf-8',
            'Cache-Control' => 'no-cache',
            'Content-Security-Policy' => implode('; ', [
                "default-src 'self'",
                "style-src 'self' 'unsafe-inline'",
                "img-src 'self' data:",
                "frame-ancestors 'self'",
                "frame-src 'self'",
                "object-src 'none'",
                "base-uri 'self'",
                "form-action 'self'",
            ]),
            'X-Content-Type-Options' => 'nosniff',
            'Referrer-Policy' => 'same-origin',
        ]);
    }
}
