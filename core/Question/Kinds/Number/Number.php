<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Kinds\Number;

use Zetema\Core\Data\Fields;
use Zetema\Core\Numbers\Ratio;
use Zetema\Core\Question\Answers\AnswerLine;
use Zetema\Core\Question\Answers\Span;
use Zetema\Core\Question\InvalidQuestion;
use Zetema\Core\Question\Kind;
use Zetema\Core\Question\KindId;
use Zetema\Core\Question\Kinds\Common\CriterionFeedback;
use Zetema\Core\Question\Kinds\Text\Text;
use Zetema\Core\Question\Line;
use Zetema\Core\Question\Problems;
use Zetema\Core\Question\Response\Response;
use Zetema\Core\Question\Response\ResponseSpace;
use Zetema\Core\Question\Scoring\Criterion;
use Zetema\Core\Question\Scoring\Scoring;
use Zetema\Core\Question\Settings\EffectiveSettings;
use Zetema\Core\Question\Settings\InvalidSetting;
use Zetema\Core\Question\Settings\Setting;
use Zetema\Core\Question\Settings\Settings;
use Zetema\Core\Question\Settings\Share;

/** Numeric: what is typed is read as a number and looked for in accepted spans. */
final readonly class Number implements Kind
{
    /** @param list<Span> $spans */
    public function __construct(public array $spans)
    {
    }

    public static function id(): KindId
    {
        return KindId::Number;
    }

    public static function rules(): array
    {
        return ['whole'];
    }

    public static function ownSettings(): array
    {
        return [Setting::Unit, Setting::Figures];
    }

    public static function words(): array
    {
        return ['answer'];
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
        $none = $settings->get(Setting::Key) === 'none';
        if ($none !== ($this->spans === [])) {
            throw new InvalidQuestion($none ? 'with “key: none” there is no “answer:” line' : 'no number is accepted; write “answer:” with the right one', 'answer');
        }
    }

    public function response(mixed $given, EffectiveSettings $settings, bool $complete = true): Response
    {
        return Text::typed($given);
    }

    public function scoring(EffectiveSettings $settings): Scoring
    {
        $criteria = [];
        foreach ($this->spans as $i => $span) {
            $criteria[] = Criterion::right(['n' => $i + 1, ...$span->toPlan()], $span->share->exact());
        }
        $options = ['units' => $settings->entries(Setting::Unit), 'figures' => $settings->get(Setting::Figures)];

        return new Scoring(Scoring::LOOK_NUMBER, $criteria, Scoring::BEST, Ratio::one(), Ratio::zero(), $settings->points(Setting::Points), $options);
    }

    public function space(EffectiveSettings $settings): ResponseSpace
    {
        return ResponseSpace::nothing();
    }

    public function says(Response $response, array $found): array
    {
        return CriterionFeedback::by($found, fn (int $n): ?string => $this->spans[$n - 1]->says ?? null);
    }

    public function shuffledLists(): array
    {
        return [];
    }

    public function shownToCandidate(array $order, EffectiveSettings $settings, bool $checked = false): array
    {
        return ['units' => $settings->entries(Setting::Unit)];
    }

    public function inWords(Response $response, bool $withKey = false): array
    {
        return $response->text === null ? [] : [AnswerLine::typed($response->text)];
    }

    public function choices(): array
    {
        return [];
    }

    public function lineIds(): array
    {
        return ['answer', array_map(static fn (Span $s, int $i): int => $s->id ?? $i + 1, $this->spans, array_keys($this->spans))];
    }

    public function keyInWords(): array
    {
        $best = array_filter($this->spans, static fn (Span $s): bool => $s->share->isWhole());

        return array_values(array_map(static fn (Span $s): AnswerLine => AnswerLine::typed($s->words), $best));
    }
}
