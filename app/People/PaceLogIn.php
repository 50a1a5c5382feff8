<?php

declare(strict_types=1);

namespace Zetema\App\People;

use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpFoundation\RequestStack;
use Symfony\Component\Security\Http\Authenticator\Passport\Badge\UserBadge;
use Symfony\Component\Security\Http\Event\CheckPassportEvent;
use Symfony\Component\Security\Http\Event\LoginFailureEvent;
use Symfony\Component\Security\Http\Event\LoginSuccessEvent;

/** Holds every attempt to log in to LogInPace, before its name is looked up and its password is checked. */
final class PaceLogIn
{
    private bool $isCounted = false;

    public function __construct(private readonly LogInPace $pace, private readonly RequestStack $requests)
    {
    }

    #[AsEventListener(priority: 2080)]
    public function onCheck(CheckPassportEvent $event): void
    {
        $badge = $event->getPassport()->getBadge(UserBadge::class);
        ['wait' => $wait, 'counted' => $this->isCounted] =
            $badge instanceof UserBadge
                ? $this->pace->begin($badge->getUserIdentifier(), $this->address())
                : ['wait' => 0, 'counted' => true];
        if ($wait > 0) {
            throw new TooSoon($wait);
        }
    }

    #[AsEventListener]
    public function onSuccess(LoginSuccessEvent $event): void
    {
        $this->pace->succeeded($event->getUser()->getUserIdentifier(), $this->address());
    }

    #[AsEventListener]
    public function onFailure(LoginFailureEvent $event): void
    {
        $badge = $event->getPassport()?->getBadge(UserBadge::class);
        if (!$this->isCounted && $badge instanceof UserBadge && !($event->getException() instanceof TooSoon)) {
            $this->pace->failed($badge->getUserIdentifier(), $this->address());
        }
    }

    private function address(): string
    {
        return $this->requests->getMainRequest()?->getClientIp() ?? '';
    }
}
