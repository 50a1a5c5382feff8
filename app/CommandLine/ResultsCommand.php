<?php

declare(strict_types=1);

namespace Zetema\App\CommandLine;

use Doctrine\ORM\EntityManagerInterface;
use Symfony\Component\Console\Attribute\Argument;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Attribute\Option;
use Symfony\Component\Console\Exception\InvalidArgumentException;
use Symfony\Component\Console\Output\OutputInterface;
use Zetema\App\Blueprint\Editions\Edition;
use Zetema\App\Results\ResultTables;

#[AsCommand('zetema:results', 'Prints the sittings of an edition as a table, or each response of theirs')]
final class ResultsCommand
{
    public function __construct(private readonly EntityManagerInterface $em, private readonly ResultTables $tables)
    {
    }

    public function __invoke(
        OutputInterface $output,
        #[Argument('The id of the edition, as its address has it')]
        string $edition,
        #[Option('A row for each response instead of each sitting')]
        bool $responses = false,
    ): int {
        $found = preg_match('/^\d{1,18}$/D', $edition) === 1 ? $this->em->find(Edition::class, (int) $edition) : null;
        if ($found === null) {
            throw new InvalidArgumentException(sprintf('There is no edition “%s”.', $edition));
        }
        foreach ($responses ? $this->tables->responses($found) : $this->tables->sittings($found) as $line) {
            $output->write($line, false, OutputInterface::OUTPUT_RAW);
        }

        return 0;
    }
}
