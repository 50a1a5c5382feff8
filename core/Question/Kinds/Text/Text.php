<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Kinds\Text;

use Zetema\Core\Data\Fields;
use Zetema\Core\Numbers\Ratio;
use Zetema\Core\Question\Answers\AnswerLine;
use Zetema\Core\Question\Answers\Wording;
use Zetema\Core\Question\InvalidQuestion;
use Zetema\Core\Question\Kinds\Common\CriterionFeedback;
use Zetema\Core\Question\Kinds\Common\TypedKind;
use Zetema\Core\Question\Kinds\KindFacts;
use Zetema\Core\Question\Kinds\KindId;
use Zetema\Core\Question\Kinds\LineWord;
use Zetema\Core\Question\Line;
use Zetema\Core\Question\Problems;
use Zetema\Core\Question\Response\Response;
use Zetema\Core\Question\Response\ResponseForm;
use Zetema\Core\Question\Scoring\Criterion;
use Zetema\Core\Question\Scoring\Look;
use Zetema\Core\Question\Scoring\Scoring;
use Zetema\Core\Question\Scoring\ShareRule;
use Zetema\Core\Question\Scoring\Sought\Pattern;
use Zetema\Core\Question\Scoring\Sought\Wording as Sought;
use Zetema\Core\Question\Settings\EffectiveSettings;
use Zetema\Core\Question\Settings\Setting;
use Zetema\Core\Question\Settings\Settings;
use Zetema\Core\Question\Settings\Share;
use Zetema\Core\Question\Texts\TextSort;

/** Short text: what is typed is compared with accepted wordings. */
final readonly class Text extends TypedKind
{
    /** @param list<Wording> $wordings */
    public function __construct(public array $wordings)
    {
    }

    public static function id(): KindId
    {
        return KindId::Text;
    }

    public static function facts(): KindFacts
    {
        $share = '(?: (?<share>\d+(?:\.\d+)?) ?%)?';

        return new KindFacts(
            names: ['text', 'short text'],
            opening: ['text'],
            words: [
                LineWord::short('answer')->with('answer' . $share, 'answer', 'answer 50 %'),
                LineWord::short('pattern')->with('pattern' . $share, 'pattern', 'pattern 50 %'),
                LineWord::textBelow('says'),
            ],
            line: 'answer',
            how: 'Type your answer.',
            form: ResponseForm::Text,
            field: 'text',
            lists: ['wordings'],
            texts: ['wordings.*.text' => TextSort::Wording, 'wordings.*.says' => TextSort::Feedback],
            empty: ['wordings' => [['text' => '']]],
            template: "text: {What is it called?}\n  answer: {its name}\n  answer 50 %: {something near}\n    says: {what is missing}\n  typos: 1\n",
            settings: [Setting::Ignore, Setting::Typos],
        );
    }

    public static function read(Line $opening, array $parts, Settings $own, Problems $problems): self
    {
        $wordings = [];
        foreach ($parts as $part) {
            $wordings[] = new Wording(
                $part->text,
                Share::inLine($part, $problems),
                $part->word === 'pattern',
                $part->child('says')?->text,
            );
        }

        return new self($wordings);
    }

    public static function fromData(Fields $data): self
    {
        return new self(array_map(Wording::fromData(...), $data->objects('wordings')));
    }

    public function toData(): array
    {
        return ['wordings' => array_map(static fn (Wording $w): array => $w->toData(), $this->wordings)];
    }

    public function toLines(string $stem): array
    {
        return [Line::written('text', $stem), ...array_map(static fn (Wording $w): Line => $w->toLine(), $this->wordings)];
    }

    public function verify(EffectiveSettings $settings, string $stem): void
    {
        $none = $settings->isKeyless();
        if ($none !== ($this->wordings === [])) {
            throw new InvalidQuestion(
                $none ? 'with “key: none” there is no “answer:” line' : 'no wording is accepted; write “answer:” with the right one',
                'answer',
            );
        }
        foreach ($this->wordings as $i => $wording) {
            if ($wording->text === '') {
                throw new InvalidQuestion(sprintf('wording %d has no text', $i + 1), 'answer');
            }
        }
    }

    public function scoring(EffectiveSettings $settings): Scoring
    {
        $criteria = [];
        foreach ($this->wordings as $i => $wording) {
            $criteria[] = Criterion::right(
                $wording->isPattern ? new Pattern($i + 1, $wording->text) : new Sought($i + 1, $wording->text),
                $wording->share->exact(),
            );
        }
        $options = ['ignore' => $settings->entries(Setting::Ignore), 'typos' => $settings->integer(Setting::Typos)];

        return new Scoring(
            Look::Text,
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
        return null;
    }

    /** Each wording, in capitals, one letter short and one too long. */
    public function telling(EffectiveSettings $settings): iterable
    {
        foreach ($this->wordings as $wording) {
            yield Response::typed($wording->text);
            yield Response::typed(mb_strtoupper($wording->text));
            yield Response::typed(mb_substr($wording->text, 0, -1));
            yield Response::typed($wording->text . 's');
        }
        yield Response::typed('something else');
    }

    public function says(Response $response, array $found): array
    {
        return CriterionFeedback::by($found, fn (int $n): ?string => $this->wordings[$n - 1]->says ?? null);
    }

    public function shownToCandidate(array $order, EffectiveSettings $settings, bool $checked = false): array
    {
        return [];
    }

    public function lineIds(): array
    {
        return array_map(static fn (Wording $w, int $i): int => $w->id ?? $i + 1, $this->wordings, array_keys($this->wordings));
    }

    public function saysAnything(): bool
    {
        return array_filter($this->wordings, static fn (Wording $w): bool => $w->says !== null) !== [];
    }

    public function keyTexts(): array
    {
        return array_values(
            array_map(
                static fn (Wording $w): string => $w->text,
                array_filter($this->wordings, static fn (Wording $w): bool => $w->share->isWhole() && !$w->isPattern),
            ),
        );
    }

    public function keyInWords(): array
    {
        $best = array_filter($this->wordings, static fn (Wording $w): bool => $w->share->isWhole());
        $plain = array_filter($best, static fn (Wording $w): bool => !$w->isPattern);

        return array_values(array_map(static fn (Wording $w): AnswerLine => AnswerLine::typed($w->text), $plain === [] ? $best : $plain));
    }
}
