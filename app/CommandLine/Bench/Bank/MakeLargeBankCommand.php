<?php

declare(strict_types=1);

namespace Zetema\App\CommandLine\Bench\Bank;

use Symfony\Component\Console\Attribute\Argument;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Style\SymfonyStyle;

#[AsCommand('zetema:make-large-bank', 'Fills an empty database with a bank of many questions, to measure with', hidden: true)]
final readonly class MakeLargeBankCommand
{
    public function __construct(private LargeBank $bank)
    {
    }

    public function __invoke(SymfonyStyle $io, #[Argument('How many')] string $questions): int
    {
        $this->bank->make((int) $questions, $io);

        return 0;
    }
}
