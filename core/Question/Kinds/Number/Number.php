<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Kinds\Number;

use Zetema\Core\Data\Fields;
use Zetema\Core\Numbers\NumberReader;
use Zetema\Core\Numbers\Ratio;
use Zetema\Core\Question\Answers\AnswerLine;
use Zetema\Core\Question\Answers\Span;
use Zetema\Core\Question\InvalidQuestion;
use Zetema\Core\Question\Kinds\Common\CriterionFeedback;
use Zetema\Core\Question\Kinds\Common\OnNumberLine;
use Zetema\Core\Question\Kinds\Common\TypedKind;
use Zetema\Core\Question\Kinds\KindFacts;
use Zetema\Core\Question\Kinds\KindId;
use Zetema\Core\Question\Kinds\LineWord;
use Zetema\Core\Question\Line;
use Zetema\Core\Question\Problems;
use Zetema\Core\Question\Response\Response;
use Zetema\Core\Question\Response\ResponseForm;
use Zetema\Core\Question\Response\TypedText;
use Zetema\Core\Question\Scoring\Criterion;
use Zetema\Core\Question\Scoring\Look;
use Zetema\Core\Question\Scoring\Scoring;
use Zetema\Core\Question\Scoring\ShareRule;
use Zetema\Core\Question\Scoring\Sought\InSpan;
use Zetema\Core\Question\Settings\EffectiveSettings;
use Zetema\Core\Question\Settings\InvalidSetting;
use Zetema\Core\Question\Settings\Setting;
use Zetema\Core\Question\Settings\Settings;
use Zetema\Core\Question\Settings\Share;
use Zetema\Core\Question\Texts\TextSort;

/** Numeric: what is typed is read as a number and looked for in accepted spans. */
final readonly class Number extends TypedKind implements OnNumberLine
{
    /** @param list<Span> $spans */
    public function __construct(public array $spans)
    {
    }

    public static function id(): KindId
    {
        return KindId::Number;
    }

    public static function facts(): KindFacts
    {
        return new KindFacts(
            names: ['number', 'numeric'],
            opening: ['number'],
            words: [
                LineWord::short('answer')->with('answer(?: (?<share>\d+(?:\.\d+)?) ?%)?', 'answer', 'answer 50 %'),
                LineWord::textBelow('says'),
            ],
            line: 'answer',
            how: 'Type a number.',
            form: ResponseForm::Text,
            field: 'text',
            lists: ['spans'],
            texts: ['spans.*.says' => TextSort::Feedback],
            empty: ['spans' => [['span' => '']]],
            template: "number: {How many?}\n  answer: {14} within {0.5}\n  unit: {kg}\n",
            settings: [Setting::Unit, Setting::Figures],
        );
    }

    public static function read(Line $opening, array $parts, Settings $own, Problems $problems): self
    {
        $spans = [];
        foreach ($parts as $part) {
            try {
                $spans[] = Span::of($part->text, Share::inLine($part, $problems), $part->child('says')?->text);
            } catch (InvalidSetting $e) {
                $problems->inText($part, $e->getMessage());
            }
        }

        return new self($spans);
    }

    public static function fromData(Fields $data): self
    {
        return new self(array_map(Span::fromData(...), $data->objects('spans')));
    }

    public function toData(): array
    {
        return ['spans' => array_map(static fn (Span $s): array => $s->toData(), $this->spans)];
    }

    public function toLines(string $stem): array
    {
        return [Line::written('number', $stem), ...array_map(static fn (Span $s): Line => $s->toLine(), $this->spans)];
    }

    public function verify(EffectiveSettings $settings, string $stem): void
    {
        $none = $settings->isKeyless();
        if ($none !== ($this->spans === [])) {
            throw new InvalidQuestion(
                $none ? 'with “key: none” there is no “answer:” line' : 'no number is accepted; write “answer:” with the right one',
                'answer',
            );
        }
    }

    public function scoring(EffectiveSettings $settings): Scoring
    {
        $criteria = [];
        foreach ($this->spans as $i => $span) {
            $criteria[] = Criterion::right(
                new InSpan($i + 1, $span->from, $span->fromIncluded, $span->to, $span->toIncluded),
                $span->share->exact(),
            );
        }
        $options = ['units' => $settings->entries(Setting::Unit), 'figures' => $settings->get(Setting::Figures)];

        return new Scoring(
            Look::Number,
            $criteria,
            ShareRule::Best,
            Ratio::one(),
            Ratio::zero(),
            $settings->points(Setting::Points),
            $options,
        );
    }

    public function notYet(Response $response, EffectiveSettings $settings): ?string
    {
        $isRead = (new NumberReader($settings->entries(Setting::Unit)))->read(TypedText::in($response) ?? '') !== null;

        return $isRead ? null : 'This cannot be read as a number. No attempt was used.';
    }

    /** The ends of each span, and what lies a step within and beyond them. */
    public function telling(EffectiveSettings $settings): iterable
    {
        foreach ($this->spans as $span) {
            foreach ([$span->from, $span->to] as $i => $end) {
                if ($end !== null) {
                    // One step is a unit of the last decimal as written, at most a hundredth.
                    $decimals = strlen(explode('.', $end->inWords() . '.')[1]);
                    $step = Ratio::nd($i === 0 ? -1 : 1, 10 ** min(9, max(2, $decimals)));
                    yield Response::typed($end->inWords());
                    yield Response::typed($end->plus($step)->inWords());
                    yield Response::typed($end->minus($step)->inWords());
                }
            }
        }
        yield Response::typed('0');
    }

    public function drawn(): array
    {
        return array_map(
            static fn (Span $s): array => [
                'words' => $s->words,
                'from' => $s->from === null ? null : (string) $s->from,
                'fromIncluded' => $s->fromIncluded,
                'to' => $s->to === null ? null : (string) $s->to,
                'toIncluded' => $s->toIncluded,
                'share' => (string) $s->share->exact(),
            ],
            $this->spans,
        );
    }

    public function says(Response $response, array $found): array
    {
        return CriterionFeedback::by($found, fn (int $n): ?string => $this->spans[$n - 1]->says ?? null);
    }

    public function shownToCandidate(array $order, EffectiveSettings $settings, bool $checked = false): array
    {
        return ['units' => $settings->entries(Setting::Unit)];
    }

    public function lineIds(): array
    {
        return array_map(static fn (Span $s, int $i): int => $s->id ?? $i + 1, $this->spans, array_keys($this->spans));
    }

    public function saysAnything(): bool
    {
        return array_filter($this->spans, static fn (Span $s): bool => $s->says !== null) !== [];
    }

    public function keyTexts(): array
    {
        return [];
    }

    public function keyInWords(): array
    {
        $best = array_filter($this->spans, static fn (Span $s): bool => $s->share->isWhole());

        return array_values(array_map(static fn (Span $s): AnswerLine => AnswerLine::typed($s->words), $best));
    }
}
