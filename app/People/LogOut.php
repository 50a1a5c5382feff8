<?php

declare(strict_types=1);

namespace Zetema\App\People;

use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\Security\Http\Event\LogoutEvent;

/** Logging out answers with JSON, not with a redirect. */
final readonly class LogOut
{
    #[AsEventListener]
    public function onLogOut(LogoutEvent $event): void
    {
        $event->setResponse(new JsonResponse(['account' => null]));
    }
}
