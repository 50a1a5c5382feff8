<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Table;

/** What a column of a table can hold. */
enum Meaning: string
{
    case Stem = 'stem';
    case Kind = 'kind';
    case Choices = 'choices';
    case Distractors = 'distractors';
    case Key = 'key';
    case Points = 'points';
    case Feedback = 'feedback';
    case Right = 'right';
    case Wrong = 'wrong';
    case Says = 'says';
    case Tolerance = 'tolerance';
    case Unit = 'unit';
    case Objective = 'objective';
    case Subtopic = 'subtopic';
    case Tags = 'tags';
    case Difficulty = 'difficulty';
    case Hint = 'hint';
    case Name = 'name';

    private const ALONE = [
        'stem' => ['question', 'questiontext', 'stem', 'text', 'prompt'],
        'kind' => ['kind', 'type', 'questiontype'],
        'choices' => ['choices', 'options', 'alternatives'],
        'key' => ['key', 'answer', 'answers', 'correct', 'correctanswer', 'rightanswer', 'correctoption', 'solution'],
        'points' => ['points', 'marks', 'score', 'pts'],
        'feedback' => ['feedback', 'explanation', 'rationale', 'because'],
        'right' => ['feedbackright', 'ifright', 'correctfeedback'],
        'wrong' => ['feedbackwrong', 'ifwrong', 'incorrectfeedback'],
        'tolerance' => ['tolerance', 'within'],
        'unit' => ['unit', 'units'],
        'objective' => ['objective', 'topic', 'section', 'chapter'],
        'subtopic' => ['subtopic', 'subobjective'],
        'tags' => ['tags', 'keywords'],
        'difficulty' => ['difficulty'],
        'hint' => ['hint'],
        'name' => ['name', 'id'],
    ];

    /** Those that several columns may share. */
    public function isOfMany(): bool
    {
        return in_array($this, [self::Choices, self::Distractors, self::Says], true);
    }

    /**
     * What a heading names; case, spaces and punctuation do not matter.
     *
     * @return array{self, int|null}|null with the place of the choice it is for, from 1; null for all in one cell
     */
    public static function ofHeading(string $heading): ?array
    {
        $plain = mb_strtolower(preg_replace('/[\s_\p{P}]+/u', '', $heading) ?? '');
        foreach (self::ALONE as $meaning => $headings) {
            if (in_array($plain, $headings, true)) {
                return [self::from($meaning), null];
            }
        }
        if (preg_match('/^(?:feedback(?<a>\d{1,2}|[a-h])|(?:choice|option)(?<b>\d{1,2}|[a-h])feedback)$/', $plain, $m) === 1) {
            return [self::Says, self::place($m['a'] . ($m['b'] ?? ''))];
        }
        if (
            preg_match('/^(?:(?:choice|option|alternative|answer)(?<a>\d{1,2})|(?:choice|option|answer)?(?<b>[a-h]))$/', $plain, $m) === 1
        ) {
            return [self::Choices, self::place($m['a'] . ($m['b'] ?? ''))];
        }

        return preg_match('/^(?:wronganswer|distractor|wrong|incorrect)(\d{1,2})$/', $plain, $m) === 1
            ? [self::Distractors, (int) $m[1]]
            : null;
    }

    private static function place(string $sign): int
    {
        return ctype_digit($sign) ? (int) $sign : ord($sign) - ord('a') + 1;
    }
}
