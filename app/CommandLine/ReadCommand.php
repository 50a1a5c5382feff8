<?php

declare(strict_types=1);

namespace Zetema\App\CommandLine;

use Symfony\Component\Console\Attribute\Argument;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Attribute\Option;
use Symfony\Component\Console\Exception\InvalidArgumentException;
use Symfony\Component\Console\Output\OutputInterface;
use Zetema\App\CommandLine\Files\FileSources;
use Zetema\App\CommandLine\Files\OtherFiles;
use Zetema\App\CommandLine\Files\QuestionFiles;
use Zetema\Core\Exchange\Aside;
use Zetema\Core\Exchange\Qti\Tests\Assessment;
use Zetema\Core\Exchange\Qti\Unmatched;
use Zetema\Core\Exchange\TextFormat\Page;
use Zetema\Core\Marking\Plan\MarkingPlan;
use Zetema\Core\Question\Question;
use Zetema\Core\Question\Settings\EffectiveSettings;
use Zetema\Core\Question\Settings\Settings;

#[AsCommand('zetema:read', 'Reads files of questions and tells what was understood, with problems by line and column')]
final class ReadCommand
{
    /** @param list<string> $files */
    public function __invoke(
        OutputInterface $output,
        #[Argument('Files, or -')]
        array $files,
        #[Option(FileSources::FROM)]
        ?string $from = null,
        #[Option('Another spelling of --from')]
        ?string $as = null,
        #[Option('utf-8, utf-16le, utf-16be or windows-1252, where it is not as it looks')]
        ?string $encoding = null,
        #[Option('A file that says which column of a table is what')]
        ?string $map = null,
    ): int {
        $files = array_values(array_filter($files, is_string(...)));
        if ($files === []) {
            throw new InvalidArgumentException('Name at least one file, or - for standard input.');
        }
        QuestionFiles::refuseMissing($files);
        $sources = FileSources::said($from ?? $as, $encoding, $map);
        if (!$sources->areTexts($files)) {
            return $this->readOther($output, new OtherFiles($sources), $files);
        }
        $texts = new QuestionFiles($sources);
        // Written question by question, so that memory does not grow with the file.
        $output->write('{"questions":[', false, OutputInterface::OUTPUT_RAW);
        $between = '';
        foreach ($texts->questions($files) as $number => $question) {
            $output->write(
                $between . self::json(self::told($question, $texts->effective($question), $number)),
                false,
                OutputInterface::OUTPUT_RAW,
            );
            $between = ',';
        }
        $pages = array_map(self::page(...), $texts->pages());
        $bank = [
            'every' => (object) $texts->bankSettings()->every->values,
            'byKind' => (object) array_map(static fn (Settings $s): object => (object) $s->values, $texts->bankSettings()->byKind),
        ];
        $output->writeln(
            '],"bankSettings":' .
                self::json($bank) .
                ',"pages":' .
                self::json($pages) .
                ',"problems":' .
                self::json($texts->problems()) .
                '}',
            OutputInterface::OUTPUT_RAW,
        );

        return $texts->problems() === [] ? 0 : 1;
    }

    /** @param list<string> $files */
    private function readOther(OutputInterface $output, OtherFiles $others, array $files): int
    {
        $output->write('{"questions":[', false, OutputInterface::OUTPUT_RAW);
        $between = '';
        $number = 0;
        foreach ($others->found($files) as $found) {
            ++$number;
            if ($found->question !== null) {
                $told = [
                    ...self::told($found->question, $found->question->effective(), $number),
                    'line' => $found->fromLine,
                    'why' => $found->why,
                ];
                $output->write($between . self::json($told), false, OutputInterface::OUTPUT_RAW);
                $between = ',';
            }
        }
        $rest = [
            'kept' => $others->kept(),
            'aside' => array_map(static fn (Aside $a): array => $a->toData(), $others->aside()),
            'unread' => $others->unread(),
            'encoding' => $others->encoding(),
            'pages' => array_map(self::page(...), $others->pages()),
            'unmatched' => array_map(static fn (Unmatched $u): array => $u->toData(), $others->unmatched()),
            'assessments' => array_map(static fn (Assessment $a): array => $a->toData(), $others->assessments()),
            'problems' => $others->problems(),
        ];
        $output->writeln('],' . substr(self::json($rest), 1), OutputInterface::OUTPUT_RAW);

        return $others->problems() === [] ? 0 : 1;
    }

    /** @return array{name: string, heading: string|null, reads: string} */
    private static function page(Page $page): array
    {
        return ['name' => $page->name, 'heading' => $page->heading, 'reads' => $page->reads];
    }

    private static function json(mixed $value): string
    {
        return json_encode($value, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES);
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
