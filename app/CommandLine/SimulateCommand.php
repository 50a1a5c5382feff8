<?php

declare(strict_types=1);

namespace Zetema\App\CommandLine;

use Symfony\Component\Console\Attribute\Argument;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Attribute\Option;
use Symfony\Component\Console\Exception\InvalidArgumentException;
use Symfony\Component\Console\Output\OutputInterface;
use Zetema\App\CommandLine\Files\FileBank;
use Zetema\App\CommandLine\Files\FileSources;
use Zetema\App\CommandLine\Files\JsonFile;
use Zetema\App\CommandLine\Files\QuestionFiles;
use Zetema\Core\Blueprint\Dealing\BlueprintDealer;
use Zetema\Core\Blueprint\Reading\BlueprintReader;
use Zetema\Core\Blueprint\Reading\BlueprintRefused;
use Zetema\Core\Drawing\Proof\CannotDeal;
use Zetema\Core\Drawing\Simulation\Simulation;

#[AsCommand('zetema:simulate', 'Deals many forms of a blueprint and tells how often each question is seen and what forms are worth')]
final class SimulateCommand
{
    /** @param list<string> $files */
    public function __invoke(
        OutputInterface $output,
        #[Argument('A blueprint in JSON')]
        string $blueprint,
        #[Argument('Files of questions, or -')]
        array $files,
        #[Option('How many forms')]
        string $forms = '10000',
        #[Option('The seed of the first form; the next have the seed + 1, …')]
        string $seed = '1',
        #[Option(FileSources::FROM)]
        ?string $from = null,
    ): int {
        if (preg_match('/^-?\d{1,18}$/', $seed) !== 1 || preg_match('/^[1-9]\d{0,5}$/', $forms) !== 1) {
            throw new InvalidArgumentException('--seed is a whole number, --forms one from 1 to 999999.');
        }
        $document = JsonFile::read($blueprint);
        $bank = new FileBank(array_values(array_filter($files, is_string(...))), FileSources::said($from));
        try {
            $read = BlueprintReader::read($document, $bank);
            $simulation = new Simulation(BlueprintDealer::plan($read), $bank->stock());
            for ($i = 0; $i < (int) $forms; ++$i) {
                $simulation->deal((int) $seed + $i);
            }
        } catch (BlueprintRefused $e) {
            QuestionFiles::print($output, ['problems' => $e->refusals]);

            return 1;
        } catch (CannotDeal $e) {
            QuestionFiles::print($output, DealCommand::cannot($e));

            return 1;
        }
        $told = $simulation->toData();
        $worths = array_column(is_array($told['worths']) ? $told['worths'] : [], 'points');
        QuestionFiles::print($output, [
            ...array_diff_key($told, ['overlap' => true, 'exposure' => true]),
            'exposure' => (object) $simulation->exposure(),
            'points' => ['least' => $worths[0] ?? '0', 'most' => $worths[count($worths) - 1] ?? '0'],
            'overlap' => is_array($told['overlap']) ? $told['overlap']['mean'] : null,
            'pass' => ['byGuessing' => $bank->guessed($read)],
            'spread' => $told['exposure'],
            'pairs' => is_array($told['overlap']) ? $told['overlap']['pairs'] : [],
            ...$bank->problems() === [] ? [] : ['problems' => $bank->problems()],
        ]);

        return $bank->problems() === [] ? 0 : 1;
    }
}
