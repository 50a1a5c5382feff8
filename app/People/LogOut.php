<?php

declare(strict_types=1);

namespace Zetema\App\People;

use Doctrine\DBAL\Connection;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\Security\Http\Event\LogoutEvent;

/** Logging out answers with JSON, not with a redirect. */
final readonly class LogOut
{
    public function __construct(private Connection $db)
    {
    }

    #[AsEventListener]
    public function onLogOut(LogoutEvent $event): void
    {
        $account = $event->getToken()?->getUser();
        if ($account instanceof Account) {
            // Who has logged out has no question open any more.
            $this->db->executeStatement('DELETE FROM presence WHERE account_id = ?', [$account->id]);
        }
        $event->setResponse(new JsonResponse(['account' => null]));
    }
}
