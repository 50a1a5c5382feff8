<?php

declare(strict_types=1);

namespace Zetema\App\CommandLine;

use Symfony\Component\Console\ConsoleEvents;
use Symfony\Component\Console\Event\ConsoleErrorEvent;
use Symfony\Component\Console\Exception\ExceptionInterface;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;

/** Wrong use of the command line ends with exit code 2 (1 means: the input has problems). */
final class WrongUse
{
    #[AsEventListener(ConsoleEvents::ERROR)]
    public function onError(ConsoleErrorEvent $event): void
    {
        if ($event->getError() instanceof ExceptionInterface) {
            $event->setExitCode(2);
        }
    }
}
