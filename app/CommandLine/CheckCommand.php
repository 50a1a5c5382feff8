<?php

declare(strict_types=1);

namespace Zetema\App\CommandLine;

use Symfony\Component\Console\Attribute\Argument;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Output\OutputInterface;
use Zetema\App\CommandLine\Files\FileBank;
use Zetema\App\CommandLine\Files\JsonFile;
use Zetema\App\CommandLine\Files\TextFiles;
use Zetema\Core\Blueprint\Reading\BlueprintReader;
use Zetema\Core\Blueprint\Reading\BlueprintRefused;
use Zetema\Core\Drawing\Proof\CannotDeal;

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
            $bank->dealer(BlueprintReader::read($document, $bank))->deal(1);
        } catch (BlueprintRefused $e) {
            TextFiles::print($output, ['problems' => $e->refusals]);

            return 1;
        } catch (CannotDeal $e) {
            TextFiles::print($output, ['problems' => [], ...DealCommand::cannot($e)]);

            return 1;
        }
        TextFiles::print($output, ['problems' => []]);

        return 0;
    }
}
