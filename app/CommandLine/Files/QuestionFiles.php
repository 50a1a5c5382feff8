<?php

declare(strict_types=1);

namespace Zetema\App\CommandLine\Files;

use Symfony\Component\Console\Exception\InvalidArgumentException;
use Symfony\Component\Console\Output\OutputInterface;
use Zetema\Core\Exchange\TextFormat\Page;
use Zetema\Core\Exchange\TextFormat\Reader;
use Zetema\Core\Question\Problem;
use Zetema\Core\Question\Question;
use Zetema\Core\Question\Settings\BankSettings;
use Zetema\Core\Question\Settings\EffectiveSettings;

/** Questions from files in the text format; `-` is standard input. */
final class TextFiles
{
    /** @var list<array{file: string, line: int, column: int, message: string}> */
    private array $problems = [];
    private ?string $bank = null;
    /** @var list<Page> */
    private array $pages = [];
    /** @var \WeakMap<Question, BankSettings> what the bank of its file sets */
    private \WeakMap $settings;
    private BankSettings $bankSettings;

    public function __construct()
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
            $reader = new Reader();
            foreach ($reader->questions(self::contents($file)) as $read) {
                ++$number;
                $this->note($file, $read->problems);
                if ($read->question !== null) {
                    $this->settings[$read->question] = $reader->bankSettings();
                    yield $number => $read->question;
                }
            }
            $this->note($file, $reader->outside());
            $this->bank ??= $reader->bank();
            $this->bankSettings = $this->bankSettings->isEmpty() ? $reader->bankSettings() : $this->bankSettings;
            array_push($this->pages, ...$reader->pages());
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

    /** @return list<array{file: string, line: int, column: int, message: string}> found so far */
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

    public static function contents(string $file): string
    {
        $contents = @file_get_contents($file === '-' ? 'php://stdin' : $file);

        return $contents !== false ? $contents : throw new InvalidArgumentException(sprintf('There is no file “%s” to read.', $file));
    }

    /**
     * Pictures are looked for beside the texts, never above their folder.
     *
     * @param list<string> $files
     *
     * @return \Closure(string): ?string
     */
    public static function beside(array $files): \Closure
    {
        return static function (string $name) use ($files): ?string {
            foreach ($files as $file) {
                $folder = realpath(dirname($file));
                $path = $folder === false ? false : realpath($folder . '/' . $name);
                if ($path !== false && str_starts_with($path, $folder . '/') && is_file($path)) {
                    $contents = file_get_contents($path);

                    return $contents === false ? null : $contents;
                }
            }

            return null;
        };
    }

    public static function print(OutputInterface $output, mixed $document): void
    {
        $output->writeln(json_encode($document, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES), OutputInterface::OUTPUT_RAW);
    }

    /** @param list<Problem> $problems */
    private function note(string $file, array $problems): void
    {
        foreach ($problems as $problem) {
            $this->problems[] = ['file' => $file, ...$problem->toData()];
        }
    }
}
