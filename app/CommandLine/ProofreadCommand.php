<?php

declare(strict_types=1);

namespace Zetema\App\CommandLine;

use Symfony\Component\Console\Attribute\Argument;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Attribute\Option;
use Symfony\Component\Console\Exception\InvalidArgumentException;
use Symfony\Component\Console\Output\ConsoleOutputInterface;
use Symfony\Component\Console\Output\OutputInterface;
use Zetema\App\CommandLine\Files\FileSources;
use Zetema\App\CommandLine\Files\QuestionFiles;
use Zetema\Core\Proofreading\Proofreader;

#[AsCommand('zetema:proofread', 'What the proofreader notices: how questions are written, one by one and over all files')]
final class ProofreadCommand
{
    /** @param list<string> $files */
    public function __invoke(
        OutputInterface $output,
        #[Argument('Files of questions, or -')]
        array $files,
        #[Option(FileSources::FROM)]
        ?string $from = null,
    ): int {
        $files = array_values(array_filter($files, is_string(...)));
        if ($files === []) {
            throw new InvalidArgumentException('Name at least one file, or - for standard input.');
        }
        QuestionFiles::refuseMissing($files);
        $texts = new QuestionFiles(FileSources::said($from));
        $questions = iterator_to_array($texts->questions($files));
        $proofreader = new Proofreader();
        $across = $proofreader->across($questions, $texts->bankSettings());
        $rows = [];
        foreach ($questions as $number => $question) {
            foreach ([...$proofreader->read($question, $texts->effective($question)), ...$across[$number] ?? []] as $finding) {
                $rows[] = [
                    'question' => $question->name ?? (string) $number,
                    'rule' => $finding->rule->value,
                    'where' => $finding->where,
                    'message' => $finding->message,
                ];
            }
        }
        QuestionFiles::print($output, $rows);
        if ($texts->problems() !== [] && $output instanceof ConsoleOutputInterface) {
            $output
                ->getErrorOutput()
                ->writeln(sprintf('%d problems kept some questions from being read; zetema:read names them.', count($texts->problems())));
        }

        return $texts->problems() === [] ? 0 : 1;
    }
}
