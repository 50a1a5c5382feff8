<?php

declare(strict_types=1);

namespace Zetema\App\CommandLine;

use Symfony\Component\Console\Attribute\Argument;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Output\OutputInterface;
use Zetema\Core\Exchange\TextFormat\Page;
use Zetema\Core\Marking\Plan\MarkingPlan;
use Zetema\Core\Question\Question;
use Zetema\Core\Question\Settings\EffectiveSettings;
use Zetema\Core\Question\Settings\Settings;

#[AsCommand('zetema:read', 'Reads text files of questions and tells what was understood, with problems by line and column')]
final class ReadCommand
{
    /** @param list<string> $files */
    public function __invoke(OutputInterface $output, #[Argument('Files in the text format, or -')] array $files): int
    {
        $files = array_values(array_filter($files, is_string(...)));
        if ($files === []) {
            throw new \Symfony\Component\Console\Exception\InvalidArgumentException('Name at least one file, or - for standard input.');
        }
        TextFiles::refuseMissing($files);
        $texts = new TextFiles();
        $flags = JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES;
        // Written question by question, so that memory does not grow with the file.
        $output->write('{"questions":[', false, OutputInterface::OUTPUT_RAW);
        $between = '';
        foreach ($texts->questions($files) as $number => $question) {
            $output->write($between . json_encode(self::told($question, $texts->effective($question), $number), $flags), false, OutputInterface::OUTPUT_RAW);
            $between = ',';
        }
        $pages = array_map(static fn (Page $p): array => ['name' => $p->name, 'heading' => $p->heading, 'reads' => $p->reads], $texts->pages());
        $bank = ['every' => (object) $texts->bankSettings()->every->values, 'byKind' => (object) array_map(static fn (Settings $s): object => (object) $s->values, $texts->bankSettings()->byKind)];
        $output->writeln('],"bankSettings":' . json_encode($bank, $flags) . ',"pages":' . json_encode($pages, $flags) . ',"problems":' . json_encode($texts->problems(), $flags) . '}', OutputInterface::OUTPUT_RAW);

        return $texts->problems() === [] ? 0 : 1;
    }

    /** @return array<string, mixed> */
    private static function told(Question $question, EffectiveSettings $settings, int $number): array
    {
        $data = $question->toData();
        unset($data['v'], $data['tags']);

        return [
            'name' => $question->name,
            'number' => $number,
            'kind' => $question->kind::id()->value,
            'objective' => implode(' > ', $question->objective),
            'stem' => $question->stem,
            'points' => (string) MarkingPlan::of($question, $settings)->max(),
            'status' => $question->status->value,
            'tags' => $question->tags,
            ...$data,
        ];
    }
}
