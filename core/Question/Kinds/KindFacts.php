<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Kinds;

use Zetema\Core\Question\Feedback\Outcome;
use Zetema\Core\Question\Response\ResponseForm;
use Zetema\Core\Question\Settings\Setting;
use Zetema\Core\Question\Texts\TextSort;

/**
 * What is so for every question of a kind. Whatever would list kinds reads it here: the text format, the stored form, the settings,
 * the proofreader, a candidate's page; the interface by way of a generated file.
 */
final readonly class KindFacts
{
    /**
     * @param non-empty-list<string> $names by which it is found, the trade's term last
     * @param non-empty-list<string> $opening words of the text format that open a question of the kind
     * @param list<LineWord> $words that open its lines
     * @param string $line the word for one of its lines: "answer", "item"
     * @param string $how the line that tells a candidate how to answer, where a question has none of its own
     * @param ResponseForm $form how its responses are written
     * @param string $field of its responses
     * @param list<string> $lists fields of its stored form that are lists of its lines
     * @param array<string, TextSort> $texts where its author's texts stand in its stored form, by path ("choices.*.text"), and what each is
     * @param array<string, mixed> $empty what a new one begins with, all its fields; in a list the rows to write in first
     * @param string $template a question of the kind in the text format, with what is to be typed over in braces
     * @param list<string> $rules share rules that go with it, the usual one first
     * @param list<Setting> $settings that only some kinds have
     * @param array<string, string> $defaults what counts for it where nothing is set, by the setting's word, unless it is what counts for
     *   all
     * @param list<Setting> $notFromEvery settings that only reach it when they are made for this kind
     * @param bool $isJudged whether there is right and wrong
     * @param bool $isPartly whether a response can be partly right
     * @param bool $choosesOne whether one answer is chosen, so that the place of the key may tell something
     * @param bool $isScale whether its answers stand in an order of their own
     * @param bool $isStatement whether the stem is a statement that holds or not, and no question
     */
    public function __construct(
        public array $names,
        public array $opening,
        public array $words,
        public string $line,
        public string $how,
        public ResponseForm $form,
        public string $field,
        public array $lists,
        public array $texts,
        public array $empty,
        public string $template,
        public ListOrder $listOrder = ListOrder::AsWritten,
        public array $rules = ['whole'],
        public array $settings = [],
        public array $defaults = [],
        public array $notFromEvery = [],
        public bool $isJudged = true,
        public bool $isPartly = true,
        public bool $choosesOne = false,
        public bool $isStatement = false,
        public bool $isScale = false,
        public string $stemHint = 'What is asked',
    ) {
    }

    /** Whether the place of the one right answer may tell something. */
    public function hasOneKey(): bool
    {
        return $this->choosesOne && $this->isJudged;
    }

    /** @return list<string> words that open a line of the question itself, beside the opening one */
    public function topWords(): array
    {
        return array_values(
            array_map(
                static fn (LineWord $w): string => $w->word,
                array_filter($this->words, static fn (LineWord $w): bool => !$w->isBelow),
            ),
        );
    }

    /** Whether a response can come to it: where nothing is judged, it is recorded or missing. */
    public function canBe(Outcome $outcome): bool
    {
        return $this->isJudged || in_array($outcome, [Outcome::Recorded, Outcome::Unanswered], true);
    }

    /**
     * Its stored form with every field of the kind: where one is left out because there is nothing in it, it is empty.
     *
     * @param array<string, mixed> $data
     *
     * @return array<string, mixed>
     */
    public function complete(array $data): array
    {
        return [...$data, ...array_diff_key([...$this->empty, ...array_fill_keys($this->lists, [])], $data)];
    }
}
