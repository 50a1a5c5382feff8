<?php

declare(strict_types=1);

namespace Zetema\App\People;

use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpFoundation\RequestStack;
use Symfony\Component\Security\Http\Authenticator\Passport\Badge\UserBadge;
use Symfony\Component\Security\Http\Event\CheckPassportEvent;
use Symfony\Component\Security\Http\Event\LoginSuccessEvent;

/** Holds every attempt to log in to LogInPace, before its name is looked up and its password is checked. */
final readonly class PaceLogIn
{
    public function __construct(private LogInPace $pace, private RequestStack $requests)
    {
    }

    #[AsEventListener(priority: 2080)]
    public function onCheck(CheckPassportEvent $event): void
    {
        $badge = $event->getPassport()->getBadge(UserBadge::class);
        $wait = $badge instanceof UserBadge ? $this->pace->begin($badge->getUserIdentifier(), $this->address()) : 0;
        if ($wait > 0) {
            throw new TooSoon($wait);
        }
    }

    #[AsEventListener]
    public function onSuccess(LoginSuccessEvent $event): void
    {
        $this->pace->forget($event->getUser()->getUserIdentifier(), $this->address());
    }

    private function address(): string
    {
        return $this->requests->getMainRequest()?->getClientIp() ?? '';
    }
}
