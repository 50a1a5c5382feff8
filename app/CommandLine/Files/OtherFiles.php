<?php

declare(strict_types=1);

namespace Zetema\App\CommandLine\Files;

use Zetema\Core\Exchange\Aside;
use Zetema\Core\Exchange\Encoding;
use Zetema\Core\Exchange\Foreign;
use Zetema\Core\Exchange\Found;
use Zetema\Core\Exchange\Qti\Tests\Assessment;
use Zetema\Core\Exchange\Qti\Unmatched;
use Zetema\Core\Exchange\TextFormat\Page;
use Zetema\Core\Question\Problem;

/** What files come to, with all that stands beside their questions. */
final class OtherFiles
{
    /** @var list<array<string, mixed>> */
    private array $problems = [];
    /** @var list<array{line: int, toLine: int, text: string}> */
    private array $kept = [];
    /** @var list<Aside> */
    private array $aside = [];
    /** @var list<Page> */
    private array $pages = [];
    /** @var list<Assessment> */
    private array $assessments = [];
    /** @var list<Unmatched> */
    private array $unmatched = [];
    /** @var list<string> */
    private array $unread = [];
    private Encoding $encodingOfLast = Encoding::Utf8;

    public function __construct(private readonly FileSources $sources)
    {
    }

    /**
     * @param list<string> $files
     *
     * @return \Generator<int, Found>
     */
    public function found(array $files): \Generator
    {
        foreach ($files as $file) {
            $foreign = Foreign::told(QuestionFiles::contents($file));
            if ($foreign !== null) {
                $this->note($file, [new Problem(1, 1, $foreign)]);
                continue;
            }
            $source = $this->sources->of($file);
            foreach ($source->questions() as $found) {
                $this->note($file, $found->problems);
                if ($found->question === null) {
                    $this->kept[] = ['line' => $found->fromLine, 'toLine' => $found->toLine, 'text' => $found->kept];
                }
                yield $found;
            }
            $report = $source->report();
            $this->note($file, $report->problems);
            array_push($this->aside, ...$report->aside);
            array_push($this->pages, ...$report->pages);
            array_push($this->unmatched, ...$report->unmatched);
            array_push($this->assessments, ...$report->assessments);
            array_push($this->unread, ...$report->unread);
            $this->encodingOfLast = $report->encoding;
        }
    }

    /** @return list<array{line: int, toLine: int, text: string}> */
    public function kept(): array
    {
        return $this->kept;
    }

    /** @return list<Aside> */
    public function aside(): array
    {
        return $this->aside;
    }

    /** @return list<Page> */
    public function pages(): array
    {
        return $this->pages;
    }

    /** @return list<Assessment> */
    public function assessments(): array
    {
        return $this->assessments;
    }

    /** @return list<Unmatched> */
    public function unmatched(): array
    {
        return $this->unmatched;
    }

    /** @return list<string> */
    public function unread(): array
    {
        return $this->unread;
    }

    public function encoding(): string
    {
        return $this->encodingOfLast->value;
    }

    /** @return list<array<string, mixed>> in the order of the lines */
    public function problems(): array
    {
        return $this->problems;
    }

    /** @param list<Problem> $problems */
    private function note(string $file, array $problems): void
    {
        foreach ($problems as $problem) {
            $this->problems[] = ['file' => $file, ...$problem->toData()];
        }
    }
}
