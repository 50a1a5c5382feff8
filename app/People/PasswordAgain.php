<?php

declare(strict_types=1);

namespace Zetema\App\People;

use Symfony\Component\HttpFoundation\RequestStack;
use Symfony\Component\PasswordHasher\Hasher\UserPasswordHasherInterface;
use Zetema\Core\Data\Malformed;

/** What cannot be taken back asks for the password once more; guessing it is as slow as at the log-in. */
final readonly class PasswordAgain
{
    public function __construct(private UserPasswordHasherInterface $hasher, private LogInPace $pace, private RequestStack $requests)
    {
    }

    /** @throws Malformed if it is not this account's */
    public function refuseOther(string $password, Account $account): void
    {
        $address = $this->requests->getMainRequest()?->getClientIp() ?? '';
        ['wait' => $wait, 'counted' => $isCounted] = $this->pace->begin($account->getUserIdentifier(), $address);
        if ($wait > 0) {
            throw new Malformed('password', sprintf('was wrong several times; wait %d s', $wait));
        }
        if (!$this->hasher->isPasswordValid($account, $password)) {
            if (!$isCounted) {
                $this->pace->failed($account->getUserIdentifier(), $address);
            }
            throw new Malformed('password', $password === '' ? 'is asked for once more, since this cannot be taken back' : 'is not yours');
        }
        $this->pace->succeeded($account->getUserIdentifier(), $address);
    }
}
