<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Qti\Writing;

use Zetema\Core\Marking\Plan\MarkingPlan;
use Zetema\Core\Numbers\Ratio;
use Zetema\Core\Question\Feedback\Condition;
use Zetema\Core\Question\Feedback\Hint;
use Zetema\Core\Question\Feedback\Note;
use Zetema\Core\Question\Feedback\Outcome;
use Zetema\Core\Question\Kinds\Text\Text;
use Zetema\Core\Question\Points;
use Zetema\Core\Question\Question;
use Zetema\Core\Question\Settings\EffectiveSettings;
use Zetema\Core\Question\Settings\Marking;
use Zetema\Core\Question\Settings\Setting;

/** Writes a question as an item of the standard: its answers, rules that give the same marks, its feedback and hints. */
final class ItemWriter
{
    /** Attempts whose costs are written one by one. */
    private const ATTEMPTS = 7;

    /** @var array<string, string> drawings that the last item needs, by path */
    public array $pictures = [];
    private readonly Html $html;

    /** @param \Closure(string): string $path of a file, from where the item stands */
    public function __construct(private readonly Version $version, \Closure $path, private readonly KindWriters $kinds)
    {
        $this->html = new Html($version, $path);
    }

    public function item(Question $question, string $identifier, string $title, EffectiveSettings $settings): Tag
    {
        $writer = $this->kinds->of($question) ?? throw new \LogicException('whoever writes asks first whether the kind is known');
        $body = $writer->body($question, $settings, $this->html, $this->version);
        $this->pictures = $body->pictures;
        $feedback = $this->feedback($question, $body);
        $rules = $body->blank === null ? [] : $this->rules($question, $body, $settings, $feedback);
        $max = MarkingPlan::of($question, $settings)->max();
        $outcome = static fn (string $name, string $type, string $cardinality = 'single', ?string $default = null): Tag => Tag::of(
            'outcomeDeclaration',
            ['identifier' => $name, 'cardinality' => $cardinality, 'baseType' => $type],
            ...$default === null ? [] : [Tag::of('defaultValue', [], Tag::of('value', [], $default))],
        );
        $counts = array_map(static fn (string $name): Tag => $outcome($name, 'float', default: '0'), $body->counts);

        return Tag::of(
            'assessmentItem',
            [
                'xmlns' => $this->version->namespace(),
                'identifier' => $identifier,
                'title' => $title,
                'adaptive' => 'false',
                'timeDependent' => 'false',
            ],
            ...$body->declarations,
            ...[$outcome('SCORE', 'float', default: '0'), $outcome('MAXSCORE', 'float', default: (string) $max)],
            ...$rules === [] || $rules[0]->name === 'responseProcessing'
                ? []
                : [
                    $outcome('SHARE', 'float', default: '0'),
                    $outcome('OUTCOME', 'identifier'),
                    $outcome('FEEDBACK', 'identifier', 'multiple'),
                    ...$counts,
                ],
            ...[Tag::of('itemBody', [], ...$body->inside, ...array_map($this->hint(...), $question->hints))],
            ...$rules === [] ? [] : [$rules[0]->name === 'responseProcessing' ? $rules[0] : Tag::of('responseProcessing', [], ...$rules)],
            ...array_map(
                fn (array $f): Tag => Tag::of(
                    'modalFeedback',
                    ['outcomeIdentifier' => $f[2], 'identifier' => $f[3], 'showHide' => 'show'],
                    ...$this->html->held($f[1]),
                ),
                $feedback,
            ),
        );
    }

    /**
     * Feedback that the standard can say: when it is shown, the text, the variable and its value.
     *
     * @return list<array{Tag|null, string, string, string}> null: by the outcome alone
     */
    private function feedback(Question $question, Body $body): array
    {
        $feedback = [];
        foreach ($body->says as [$when, $text, $identifier]) {
            $feedback[] = [$when, $text, 'FEEDBACK', $identifier];
        }
        foreach ($question->outcomeTexts as $i => $text) {
            if ($text->onLast || $text->outcome === Outcome::OutOfTime || $text->text === '' || $body->blank === null) {
                continue;
            }
            $name = self::outcome($text->outcome);
            $feedback[] =
                $text->attempt === null
                    ? [null, $text->text, 'OUTCOME', $name]
                    : [Rules::all([self::is('OUTCOME', $name), self::onAttempt($text->attempt)]), $text->text, 'FEEDBACK', 'O' . ($i + 1)];
        }
        foreach ($body->blank === null ? [] : $question->notes as $i => $note) {
            $when = Losses::canSay($note, $question) ? self::note($question, $note) : null;
            if ($when !== null) {
                $feedback[] = [$when, $note->text, 'FEEDBACK', 'NOTE' . ($i + 1)];
            }
        }

        return $feedback;
    }

    private static function note(Question $question, Note $note): Tag
    {
        $ids = Question::choiceIds($question->kind);
        $isSeveral = !in_array($question->kind::id()->value, ['one', 'claim'], true);
        $conditions = array_map(static function (Condition $c) use ($ids, $isSeveral, $question): Tag {
            if ($c->attempt !== null) {
                return self::onAttempt($c->attempt);
            }
            $place = (int) array_search($c->answer, $ids, true);
            $identifier = $question->kind::id()->value === 'claim' ? ['true', 'false'][$place] : 'C' . ($place + 1);
            $chosen = $isSeveral
                ? Bodies\Declared::has($identifier)
                : Tag::of('match', [], Rules::variable(Bodies\Declared::RESPONSE), Rules::identifier($identifier));
            // What is NULL is not chosen either.
            $orBlank = Tag::of('or', [], Bodies\Declared::blank(), Tag::of('not', [], $chosen));

            return $c->holds ? $chosen : $orBlank;
        }, $note->when[0]);

        return Rules::all($conditions);
    }

    private static function onAttempt(int $attempt): Tag
    {
        return Tag::of(
            'equal',
            ['toleranceMode' => 'exact'],
            Rules::variable('numAttempts'),
            Rules::identifier((string) $attempt, 'integer'),
        );
    }

    private static function is(string $variable, string $value): Tag
    {
        return Tag::of('match', [], Rules::variable($variable), Rules::identifier($value));
    }

    private static function outcome(Outcome $outcome): string
    {
        return match ($outcome) {
            Outcome::Right => 'right',
            Outcome::Partly => 'partly',
            Outcome::Unanswered => 'blank',
            Outcome::Wrong, Outcome::OutOfTime, Outcome::Recorded => 'wrong',
        };
    }

    /**
     * What is blank first, then the outcome, the marks with their costs, and what is shown; a template where it says exactly this.
     *
     * @param list<array{Tag|null, string, string, string}> $feedback
     *
     * @return non-empty-list<Tag>
     */
    private function rules(Question $question, Body $body, EffectiveSettings $settings, array $feedback): array
    {
        $cost = static fn (Setting $setting): Ratio => $settings->points($setting)->exact();
        $isWeighed = $settings->marking() === Marking::Weighed;
        $max = MarkingPlan::of($question, $settings)->max()->exact();
        $costs = $settings->entries(Setting::AttemptCosts);
        $plain =
            $cost(Setting::WrongCosts)->isZero() &&
            $cost(Setting::BlankCosts)->isZero() &&
            $costs === ['0'] &&
            $settings->get(Setting::Floor) === 'none';
        if ($plain && $body->isMatch && $feedback === [] && $max->isEqualTo(1) && !$isWeighed) {
            return [Tag::of('responseProcessing', ['template' => $this->version->template('match_correct')])];
        }
        $wrongCosts = $isWeighed ? Rules::variable('SHARE') : Rules::number($cost(Setting::WrongCosts)->negated());
        $isWhole = Tag::of('gte', [], Rules::variable('SHARE'), Rules::number($isWeighed ? $max : Ratio::one()));
        $earned =
            $isWeighed || $max->isEqualTo(1)
                ? Rules::variable('SHARE')
                : Tag::of('product', [], Rules::variable('SHARE'), Rules::number($max));
        $judged = static fn (string $outcome, Tag $score): array => [
            Rules::set('OUTCOME', Rules::identifier($outcome)),
            Rules::set('SCORE', $score),
        ];
        $rules = [
            ...$body->share,
            Rules::when([
                [
                    $body->blank ?? throw new \LogicException('only what is judged has rules'),
                    $judged('blank', Rules::number($cost(Setting::BlankCosts)->negated())),
                ],
                [
                    $body->nothingWrong === null || $isWeighed ? $isWhole : Tag::of('and', [], $isWhole, $body->nothingWrong),
                    $judged('right', $earned),
                ],
                [Tag::of('gt', [], Rules::variable('SHARE'), Rules::number('0')), $judged('partly', $earned)],
                [null, $judged('wrong', $wrongCosts)],
            ]),
            ...self::attemptCosts($costs, $max),
        ];
        if ($settings->get(Setting::Floor) !== 'none') {
            $rules[] = Rules::set(
                'SCORE',
                Tag::of('max', [], Rules::variable('SCORE'), Rules::number((string) $settings->get(Setting::Floor))),
            );
        }
        $rules[] = Rules::set(
            'SCORE',
            Tag::of(
                'roundTo',
                ['roundingMode' => 'decimalPlaces', 'figures' => (string) $settings->integer(Setting::Decimals)],
                Rules::variable('SCORE'),
            ),
        );
        foreach ($feedback as [$when, , , $identifier]) {
            if ($when !== null) {
                $rules[] = Rules::when([
                    [
                        $when,
                        [Rules::set('FEEDBACK', Tag::of('multiple', [], Rules::variable('FEEDBACK'), Rules::identifier($identifier)))],
                    ],
                ]);
            }
        }

        return $rules;
    }

    /**
     * @param list<string> $costs of the second, third … attempt
     *
     * @return list<Tag>
     */
    private static function attemptCosts(array $costs, Ratio $max): array
    {
        if ($costs === [] || $costs === ['0']) {
            return [];
        }
        $branches = [];
        foreach (range(2, self::ATTEMPTS) as $attempt) {
            $entry = $costs[min($attempt - 2, count($costs) - 1)];
            $cost = str_ends_with($entry, '%')
                ? $max->multipliedBy(Points::of(rtrim($entry, ' %'))->exact())->dividedBy(100)
                : Points::of($entry)->exact();
            $isLast = $attempt - 1 >= count($costs);
            $on = Tag::of(
                $isLast ? 'gte' : 'equal',
                $isLast ? [] : ['toleranceMode' => 'exact'],
                Rules::variable('numAttempts'),
                Rules::identifier((string) $attempt, 'integer'),
            );
            $less = Rules::set(
                'SCORE',
                Tag::of('max', [], Rules::number('0'), Tag::of('subtract', [], Rules::variable('SCORE'), Rules::number($cost))),
            );
            $branches[] = [Tag::of('and', [], Tag::of('gt', [], Rules::variable('SCORE'), Rules::number('0')), $on), [$less]];
            if ($isLast) {
                break;
            }
        }

        return [Rules::when($branches)];
    }

    private function hint(Hint $hint): Tag
    {
        $blocks = $this->html->blocks($hint->text);

        return $this->version === Version::V21
            ? Tag::of('infoControl', ['title' => 'Hint'], ...$blocks)
            : Tag::of('details', [], Tag::of('summary', [], 'Hint'), ...$blocks);
    }
}
