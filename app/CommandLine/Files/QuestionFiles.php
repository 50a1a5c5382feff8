<?php

declare(strict_types=1);

namespace Zetema\App\CommandLine\Files;

use Symfony\Component\Console\Exception\InvalidArgumentException;
use Symfony\Component\Console\Output\OutputInterface;
use Zetema\Core\Exchange\TextFormat\Page;
use Zetema\Core\Exchange\TextFormat\TextSource;
use Zetema\Core\Question\Problem;
use Zetema\Core\Question\Question;
use Zetema\Core\Question\Settings\BankSettings;
use Zetema\Core\Question\Settings\EffectiveSettings;

/** Questions from files of every format; `-` is standard input. */
final class QuestionFiles
{
    /** @var list<array{file: string, line: int, column: int, message: string, heading?: string}> */
    private array $problems = [];
    private ?string $bank = null;
    /** @var list<Page> */
    private array $pages = [];
    /** @var \WeakMap<Question, BankSettings> what the bank of its file sets */
    private \WeakMap $settings;
    private BankSettings $bankSettings;

    public function __construct(private readonly FileSources $sources)
    {
        $this->settings = new \WeakMap();
        $this->bankSettings = BankSettings::none();
    }

    /**
     * @param list<string> $files
     *
     * @return \Generator<int, Question> numbered from 1 over all files, those with problems too
     */
    public function questions(array $files): \Generator
    {
        $number = 0;
        foreach ($files as $file) {
            $source = $this->sources->of($file);
            $report = null;
            foreach ($source->questions() as $read) {
                ++$number;
                $this->note($file, $read->problems);
                if ($read->question !== null) {
                    // What a text sets counts from where it stands; what other files set is known from the beginning.
                    $report = $source instanceof TextSource ? null : $report ?? $source->report();
                    $this->settings[$read->question] =
                        $source instanceof TextSource ? $source->bankSettings() : $report->bankSettings ?? BankSettings::none();
                    yield $number => $read->question;
                }
            }
            $report = $source->report();
            $this->note($file, $report->problems);
            $this->bank ??= $report->bank;
            $this->bankSettings = $this->bankSettings->isEmpty() ? $report->bankSettings : $this->bankSettings;
            array_push($this->pages, ...$report->pages);
        }
    }

    /** What counts for a question of these files: its own settings, then those of its file's bank. */
    public function effective(Question $question): EffectiveSettings
    {
        return $question->effective($this->bankSettingsOf($question));
    }

    /** What the bank of its file sets. */
    public function bankSettingsOf(Question $question): ?BankSettings
    {
        return $this->settings[$question] ?? null;
    }

    /** Of the first file that has any. */
    public function bankSettings(): BankSettings
    {
        return $this->bankSettings;
    }

    /** @return list<array{file: string, line: int, column: int, message: string, heading?: string}> found so far */
    public function problems(): array
    {
        return $this->problems;
    }

    /** @return list<Page> */
    public function pages(): array
    {
        return $this->pages;
    }

    public function bank(): ?string
    {
        return $this->bank;
    }

    /**
     * Before anything is written out.
     *
     * @param list<string> $files
     *
     * @throws InvalidArgumentException
     */
    public static function refuseMissing(array $files): void
    {
        foreach ($files as $file) {
            if ($file !== '-' && !is_readable($file)) {
                throw new InvalidArgumentException(sprintf('There is no file “%s” to read.', $file));
            }
        }
    }

    /** What stands on standard input is read once. */
    public static function contents(string $file): string
    {
        static $input = null;
        if ($file === '-' && is_string($input)) {
            return $input;
        }
        $contents = @file_get_contents($file === '-' ? 'php://stdin' : $file);
        $input = $file === '-' ? $contents : $input;

        return $contents !== false ? $contents : throw new InvalidArgumentException(sprintf('There is no file “%s” to read.', $file));
    }

    /**
     * Pictures are looked for beside the files, never above their folder, or within those that are a zip.
     *
     * @param list<string> $files
     *
     * @return \Closure(string): ?string
     */
    public static function pictures(array $files): \Closure
    {
        $zips = array_values(
            array_filter(array_map(PicturesInZip::of(...), $files), static fn (?PicturesInZip $zip): bool => $zip !== null),
        );

        return static function (string $name) use ($files, $zips): ?string {
            foreach ($files as $file) {
                $folder = realpath(dirname($file));
                $path = $folder === false ? false : realpath($folder . '/' . $name);
                if ($path !== false && str_starts_with($path, $folder . '/') && is_file($path)) {
                    $contents = file_get_contents($path);

                    return $contents === false ? null : $contents;
                }
            }
            foreach ($zips as $zip) {
                $contents = $zip->contents($name);
                if ($contents !== null) {
                    return $contents;
                }
            }

            return null;
        };
    }

    public static function print(OutputInterface $output, mixed $document): void
    {
        $output->writeln(
            json_encode($document, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES),
            OutputInterface::OUTPUT_RAW,
        );
    }

    /** @param list<Problem> $problems */
    private function note(string $file, array $problems): void
    {
        foreach ($problems as $problem) {
            $this->problems[] = ['file' => $file, ...$problem->toData()];
        }
    }
}
