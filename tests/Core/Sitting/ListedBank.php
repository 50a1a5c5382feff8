<?php

declare(strict_types=1);

namespace Zetema\Tests\Core\Sitting;

use Zetema\Core\Blueprint\Check\Known;
use Zetema\Core\Drawing\Stock\EligibleQuestion;
use Zetema\Core\Drawing\Stock\ListedStock;
use Zetema\Core\Exchange\TextFormat\Page;
use Zetema\Core\Exchange\TextFormat\Reader;
use Zetema\Core\Question\Points;
use Zetema\Core\Question\Question;
use Zetema\Core\Question\Settings\BankSettings;

/** The questions and pages of a text in the text format. */
final class ListedBank implements Known
{
    /** @var array<array-key, Question> */
    public array $questions = [];
    /** @var list<string> */
    private readonly array $pages;
    public readonly BankSettings $settings;

    public function __construct(string $text)
    {
        $reader = new Reader();
        foreach ($reader->questions($text) as $read) {
            $question = $read->question ?? throw new \LogicException(json_encode($read->problems, JSON_THROW_ON_ERROR));
            $this->questions[$question->name ?? (string) count($this->questions)] = $question;
        }
        $this->pages = array_map(static fn (Page $page): string => $page->name, $reader->pages());
        $this->settings = $reader->bankSettings();
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
        return isset($this->questions[$name]);
    }

    public function hasPage(string $name): bool
    {
        return in_array($name, $this->pages, true);
    }

    public function hasPool(string $name): bool
    {
        return false; // texts keep none
    }

    public function stock(): ListedStock
    {
        return new ListedStock(
            array_map(
                static fn (int|string $name, Question $q): EligibleQuestion => new EligibleQuestion((string) $name, $q->kind::id()->value, $q->objective, $q->tags, $q->difficulty?->value, Points::of('1')),
                array_keys($this->questions),
                $this->questions,
            ),
        );
    }
}
