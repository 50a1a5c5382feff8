<?php

declare(strict_types=1);

namespace Zetema\App\CommandLine\Files;

use Zetema\App\Blueprint\Out\WrittenAssessment;
use Zetema\Core\Blueprint\Blueprint;
use Zetema\Core\Blueprint\Check\Known;
use Zetema\Core\Blueprint\Dealing\BlueprintDealer;
use Zetema\Core\Blueprint\Guessing\GuessedPass;
use Zetema\Core\Drawing\Stock\EligibleQuestion;
use Zetema\Core\Drawing\Stock\ListedStock;
use Zetema\Core\Exchange\TextFormat\Page;
use Zetema\Core\Marking\Plan\MarkingPlan;
use Zetema\Core\Question\Question;
use Zetema\Core\Question\Settings\BankSettings;
use Zetema\Core\Question\Status;
use Zetema\Core\Sitting\Paper\PaperMaker;

/**
 * The questions and pages of files, as a bank that blueprints name and forms are dealt from. Without a name a question is called by its
 * number.
 */
final class FileBank implements Known
{
    private readonly QuestionFiles $texts;
    /** @var array<array-key, Question> a name of digits is a number as a key */
    private array $questions = [];

    /** @param list<string> $files */
    public function __construct(array $files, FileSources $sources, private readonly bool $clearedOnly = false)
    {
        QuestionFiles::refuseMissing($files);
        $this->texts = new QuestionFiles($sources);
        foreach ($this->texts->questions($files) as $number => $question) {
            $this->questions[$question->name ?? (string) $number] = $question;
        }
    }

    /** @return list<array{file: string, line: int, column: int, message: string, heading?: string}> */
    public function problems(): array
    {
        return $this->texts->problems();
    }

    public function has(string $name): bool
    {
        return isset($this->questions[$name]);
    }

    public function question(string $name): ?Question
    {
        return $this->questions[$name] ?? null;
    }

    public function mayBeDealt(string $name): bool
    {
        $status = $this->question($name)->status ?? Status::Retired;

        return $status !== Status::Retired && (!$this->clearedOnly || $status === Status::Cleared);
    }

    public function hasPage(string $name): bool
    {
        return $this->page($name) !== null;
    }

    private function page(string $name): ?Page
    {
        return array_values(array_filter($this->texts->pages(), static fn (Page $page): bool => $page->name === $name))[0] ?? null;
    }

    public function hasPool(string $name): bool
    {
        return false; // texts keep none
    }

    /** What the bank of its file sets for a question. */
    public function settings(Question $question): ?BankSettings
    {
        return $this->texts->bankSettingsOf($question);
    }

    /** @return list<EligibleQuestion> those that a form may hold */
    public function eligible(): array
    {
        $eligible = [];
        foreach ($this->questions as $name => $question) {
            if ($this->mayBeDealt((string) $name)) {
                $eligible[] = new EligibleQuestion(
                    (string) $name,
                    $question->kind::id()->value,
                    $question->objective,
                    $question->tags,
                    $question->difficulty?->value,
                    MarkingPlan::of($question, $this->texts->effective($question))->max(),
                );
            }
        }

        return $eligible;
    }

    public function stock(): ListedStock
    {
        $names = array_map(strval(...), array_keys($this->questions));

        return new ListedStock($this->eligible(), array_values(array_filter($names, fn (string $name): bool => !$this->mayBeDealt($name))));
    }

    public function dealer(Blueprint $blueprint): BlueprintDealer
    {
        return new BlueprintDealer($blueprint, $this->stock());
    }

    /**
     * @return string|array{least: string, most: string}|null the chance of passing by guessing, exact or between bounds; null where it is
     *   not told
     */
    public function guessed(Blueprint $blueprint): string|array|null
    {
        $chance = GuessedPass::of(
            $blueprint,
            $this->eligible(),
            fn (string $name): array => [$this->questions[$name], $this->settings($this->questions[$name])],
        );
        if (is_string($chance)) {
            return null;
        }

        return $chance['least']->isEqualTo($chance['most'])
            ? (string) $chance['least']
            : ['least' => (string) $chance['least'], 'most' => (string) $chance['most']];
    }

    /** The assessment as a test of the open standard. */
    public function written(Blueprint $blueprint): WrittenAssessment
    {
        return new WrittenAssessment(
            $blueprint,
            $this->eligible(),
            fn (string $name): array => [$this->questions[$name], $this->settings($this->questions[$name])],
            $this->page(...),
        );
    }

    public function papers(Blueprint $blueprint): PaperMaker
    {
        return new PaperMaker(
            $blueprint,
            fn (string $name): array => [$this->questions[$name], $this->texts->bankSettingsOf($this->questions[$name])],
        );
    }
}
