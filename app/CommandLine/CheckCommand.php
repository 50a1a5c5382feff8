<?php

declare(strict_types=1);

namespace Zetema\App\CommandLine;

use Symfony\Component\Console\Attribute\Argument;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Attribute\Option;
use Symfony\Component\Console\Output\OutputInterface;
use Zetema\App\Blueprint\BlueprintProof;
use Zetema\App\CommandLine\Files\FileBank;
use Zetema\App\CommandLine\Files\FileSources;
use Zetema\App\CommandLine\Files\JsonFile;
use Zetema\App\CommandLine\Files\QuestionFiles;
use Zetema\Core\Blueprint\Dealing\BlueprintDealer;
use Zetema\Core\Blueprint\Reading\BlueprintReader;
use Zetema\Core\Blueprint\Reading\BlueprintRefused;
use Zetema\Core\Drawing\Dealer;
use Zetema\Core\Drawing\Proof\CannotDeal;
use Zetema\Core\Numbers\Ratio;

#[AsCommand('zetema:check', 'What keeps a blueprint from being sat')]
final class CheckCommand
{
    /** @param list<string> $files */
    public function __invoke(
        OutputInterface $output,
        #[Argument('A blueprint in JSON')]
        string $blueprint,
        #[Argument('Files of questions, or -')]
        array $files,
        #[Option(FileSources::FROM)]
        ?string $from = null,
    ): int {
        $document = JsonFile::read($blueprint);
        $bank = new FileBank(array_values(array_filter($files, is_string(...))), FileSources::said($from));
        if ($bank->problems() !== []) {
            QuestionFiles::print($output, ['problems' => $bank->problems()]);

            return 1;
        }
        try {
            $read = BlueprintReader::read($document, $bank);
            $bank->dealer($read)->deal(1);
        } catch (BlueprintRefused $e) {
            QuestionFiles::print($output, ['problems' => $e->refusals]);

            return 1;
        } catch (CannotDeal $e) {
            QuestionFiles::print($output, ['problems' => [], ...DealCommand::cannot($e)]);

            return 1;
        }
        $proof = (new BlueprintProof($read, $bank->question(...)))->of(new Dealer(BlueprintDealer::plan($read), $bank->stock()));
        QuestionFiles::print($output, [
            'problems' => [],
            ...array_intersect_key($proof, ['questions' => 1, 'steps' => 1, 'paths' => 1, 'pass' => 1, 'advice' => 1]),
            'points' => ['least' => $proof['least'], 'most' => $proof['most']],
            'minutes' => is_int($proof['seconds']) ? (string) Ratio::of($proof['seconds'])->dividedBy(60)->rounded(2)->decimal() : null,
            'byGuessing' => $bank->guessed($read),
        ]);

        return 0;
    }
}
