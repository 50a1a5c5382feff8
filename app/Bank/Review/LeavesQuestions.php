<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Review;

use Doctrine\DBAL\Connection;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\Security\Http\Event\LogoutEvent;
use Zetema\App\People\Account;

/** Who has logged out has no question open any more. */
final readonly class LeavesQuestions
{
    public function __construct(private Connection $db)
    {
    }

    #[AsEventListener]
    public function onLogOut(LogoutEvent $event): void
    {
        $account = $event->getToken()?->getUser();
        if ($account instanceof Account) {
            $this->db->delete('presence', ['account_id' => $account->id]);
        }
    }
}
