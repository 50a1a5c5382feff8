<?php

declare(strict_types=1);

namespace Zetema\App\CommandLine;

use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Output\OutputInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;

#[AsCommand('zetema:facts', 'Writes the file from which the interface knows the facts of kinds, settings, outcomes and limits')]
final readonly class FactsCommand
{
    public function __construct(#[Autowire('%kernel.project_dir%')] private string $root)
    {
    }

    public function __invoke(OutputInterface $output): int
    {
        file_put_contents($this->root . '/' . InterfaceFacts::FILE, InterfaceFacts::typescript());
        file_put_contents($this->root . '/' . InterfaceFacts::RULES, InterfaceFacts::rules());
        file_put_contents($this->root . '/' . InterfaceFacts::LIMITS, InterfaceFacts::limits());
        file_put_contents($this->root . '/' . InterfaceFacts::SIGNS, InterfaceFacts::signs());
        $output->writeln([InterfaceFacts::FILE, InterfaceFacts::RULES, InterfaceFacts::LIMITS, InterfaceFacts::SIGNS]);

        return 0;
    }
}
