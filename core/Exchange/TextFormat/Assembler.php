<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\TextFormat;

use Zetema\Core\Question\Difficulty;
use Zetema\Core\Question\Feedback\Hint;
use Zetema\Core\Question\Feedback\Note;
use Zetema\Core\Question\Feedback\OutcomeText;
use Zetema\Core\Question\InvalidQuestion;
use Zetema\Core\Question\Kinds\KindId;
use Zetema\Core\Question\Line;
use Zetema\Core\Question\Problem;
use Zetema\Core\Question\Problems;
use Zetema\Core\Question\Question;
use Zetema\Core\Question\Settings\InvalidSetting;
use Zetema\Core\Question\Settings\Setting;
use Zetema\Core\Question\Settings\Settings;
use Zetema\Core\Question\Status;

/** Makes a question of its lines, or says what keeps it from being one. */
final class Assembler
{
    /**
     * @param list<Line> $parts
     * @param list<string> $objective
     * @param array<string, true> $taken names that earlier questions have
     */
    public function question(
        Line $opening,
        array $parts,
        Defaults $defaults,
        array $objective,
        array $taken,
        Problems $problems,
    ): ?Question {
        $kind = KindId::openedBy($opening->word) ?? throw new \LogicException('every opening word is a kind');
        $words = $kind->facts()->topWords();
        $own = [];
        $sorted = ['if' => [], 'note' => [], 'hint' => [], 'kind' => []];
        $seen = [];
        foreach ($parts as $part) {
            if (isset($sorted[$part->word])) {
                $sorted[$part->word][] = $part;
            } elseif (in_array($part->word, $words, true)) {
                $sorted['kind'][] = $part;
            } elseif (Setting::tryFrom($part->word) !== null || in_array($part->word, ['name', 'tags', 'difficulty', 'status'], true)) {
                if (isset($seen[$part->word])) {
                    $problems->at($part, sprintf('`%s:` stands here twice', $part->word));
                }
                $seen[$part->word] = $part;
                $own[$part->word] = $this->value($part, $problems);
            } else {
                $problems->at($part, sprintf('`%s:` does not belong to a question of kind %s', $part->word, $kind->value));
            }
        }
        $values = [...$defaults->for($kind), ...$own];
        if (($values['marking'] ?? '') === 'weighed' && !isset($own['points'])) {
            unset($values['points']);
        }
        if (isset($values['name'], $taken[$values['name']])) {
            $problems->inText(
                $seen['name'] ?? $opening,
                sprintf('“%s” is the name of an earlier question; names are unique', $values['name']),
            );
        }

        return $this->make($kind, $opening, $sorted, $values, $objective, $seen, $problems);
    }

    /**
     * @param array{if: list<Line>, note: list<Line>, hint: list<Line>, kind: list<Line>} $sorted
     * @param array<string, string> $values
     * @param list<string> $objective
     * @param array<string, Line> $seen
     */
    private function make(
        KindId $kind,
        Line $opening,
        array $sorted,
        array $values,
        array $objective,
        array $seen,
        Problems $problems,
    ): ?Question {
        try {
            $settings = Settings::of(
                array_intersect_key(
                    $values,
                    array_fill_keys(array_map(static fn (Setting $s): string => $s->value, Setting::cases()), true),
                ),
            );
            $definition = $kind->definition()::read($opening, $sorted['kind'], $settings, $problems);
            $hints = array_values(array_filter(array_map(static fn (Line $l): ?Hint => Hint::read($l, $problems), $sorted['hint'])));
            if ($definition === null || !$problems->isEmpty()) {
                return null;
            }

            return new Question(
                $definition,
                $opening->text,
                $settings,
                isset($values['name']) && $values['name'] !== '' ? $values['name'] : null,
                $objective,
                isset($values['tags']) ? self::tags($values['tags']) : [],
                Difficulty::tryFrom($values['difficulty'] ?? ''),
                Status::tryFrom($values['status'] ?? '') ?? Status::Draft,
                array_map(OutcomeText::read(...), $sorted['if']),
                array_map(Note::read(...), $sorted['note']),
                $hints,
            );
        } catch (InvalidQuestion $e) {
            $at = $seen[$e->setting ?? ''] ?? $opening;
            $problems->add(new Problem($at->line, $at === $opening ? $at->column : $at->textColumn, $e->getMessage()));
        } catch (InvalidSetting $e) {
            $problems->at($opening, $e->getMessage());
        }

        return null;
    }

    private function value(Line $part, Problems $problems): string
    {
        try {
            $setting = Setting::tryFrom($part->word);
            if ($setting !== null) {
                return $setting->canonical($part->text);
            }
            $lower = mb_strtolower($part->text);
            if ($part->word === 'difficulty' && Difficulty::tryFrom($lower) === null) {
                throw new InvalidSetting(sprintf('“%s” is no difficulty; easy, medium or hard would be right', $part->text));
            }
            if ($part->word === 'status' && Status::tryFrom($lower) === null) {
                throw new InvalidSetting(sprintf('“%s” is no status; draft, in review, cleared or retired would be right', $part->text));
            }
            if ($part->word === 'name' && (mb_strlen($part->text) > 80 || $part->text === '')) {
                throw new InvalidSetting('a name has 1 to 80 characters');
            }

            return in_array($part->word, ['difficulty', 'status'], true) ? $lower : $part->text;
        } catch (InvalidSetting $e) {
            $problems->inText($part, $e->getMessage());

            return Setting::tryFrom($part->word)?->houseValue() ?? '';
        }
    }

    /** @return list<string> */
    private static function tags(string $text): array
    {
        return array_values(
            array_unique(array_filter(array_map(trim(...), explode(',', $text)), static fn (string $t): bool => $t !== '')),
        );
    }
}
