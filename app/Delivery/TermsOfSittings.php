<?php

declare(strict_types=1);

namespace Zetema\App\Delivery;

use Doctrine\ORM\EntityManagerInterface;
use Psr\Clock\ClockInterface;
use Zetema\App\Admission\SittingsUnderWay;
use Zetema\App\Blueprint\Blueprint;
use Zetema\App\Shared\Lock;
use Zetema\App\Shared\Transactions;
use Zetema\Core\Time\Instant;

/**
 * Sittings that run get the closing time and the extra time that are said now. They are due at once, so that the clock acts anew also where
 * nobody is there.
 */
final readonly class TermsOfSittings implements SittingsUnderWay
{
    public function __construct(private EntityManagerInterface $em, private Transactions $transactions, private ClockInterface $clock)
    {
    }

    public function termsChanged(Blueprint $blueprint, callable $candidacy): void
    {
        $this->transactions->over(Lock::blueprint($blueprint->id), function () use ($blueprint, $candidacy): void {
            foreach ($this->em->getRepository(Sitting::class)->findBy(['blueprint' => $blueprint, 'endedAt' => null]) as $sitting) {
                if (!$sitting->isRehearsal()) {
                    $sitting->goesBy($candidacy($sitting->account), Instant::of($this->clock->now()));
                }
            }
        });
    }
}
