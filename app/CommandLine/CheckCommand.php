<?php

declare(strict_types=1);

namespace Zetema\App\CommandLine;

use Symfony\Component\Console\Attribute\Argument;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Output\OutputInterface;
use Zetema\App\Blueprint\BlueprintProof;
use Zetema\App\CommandLine\Files\FileBank;
use Zetema\App\CommandLine\Files\JsonFile;
use Zetema\App\CommandLine\Files\TextFiles;
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
        #[Argument('Files in the text format, or -')]
        array $files,
    ): int {
        $document = JsonFile::read($blueprint);
        $bank = new FileBank(array_values(array_filter($files, is_string(...))));
        if ($bank->problems() !== []) {
            TextFiles::print($output, ['problems' => $bank->problems()]);

            return 1;
        }
        try {
            $read = BlueprintReader::read($document, $bank);
            $bank->dealer($read)->deal(1);
        } catch (BlueprintRefused $e) {
            TextFiles::print($output, ['problems' => $e->refusals]);

            return 1;
        } catch (CannotDeal $e) {
            TextFiles::print($output, ['problems' => [], ...DealCommand::cannot($e)]);

            return 1;
        }
        $proof = (new BlueprintProof($read, $bank->question(...)))->of(new Dealer(BlueprintDealer::plan($read), $bank->stock()));
        TextFiles::print($output, [
            'problems' => [],
            ...array_intersect_key($proof, ['questions' => 1, 'steps' => 1, 'paths' => 1, 'pass' => 1, 'advice' => 1]),
            'points' => ['least' => $proof['least'], 'most' => $proof['most']],
            'minutes' => is_int($proof['seconds']) ? (string) Ratio::of($proof['seconds'])->dividedBy(60)->rounded(2)->decimal() : null,
            'byGuessing' => $bank->guessed($read),
        ]);

        return 0;
    }
}
