<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Kinds\Text;

use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Numbers\Ratio;
use Zetema\Core\Question\Answers\AnswerLine;
use Zetema\Core\Question\Answers\Wording;
use Zetema\Core\Question\InvalidQuestion;
use Zetema\Core\Question\Kind;
use Zetema\Core\Question\KindId;
use Zetema\Core\Question\Kinds\Common\CriterionFeedback;
use Zetema\Core\Question\Line;
use Zetema\Core\Question\Problems;
use Zetema\Core\Question\Response\Response;
use Zetema\Core\Question\Response\ResponseSpace;
use Zetema\Core\Question\Scoring\Criterion;
use Zetema\Core\Question\Scoring\Scoring;
use Zetema\Core\Question\Settings\EffectiveSettings;
use Zetema\Core\Question\Settings\Setting;
use Zetema\Core\Question\Settings\Settings;
use Zetema\Core\Question\Settings\Share;

/** Short text: what is typed is compared with accepted wordings. */
final readonly class Text implements Kind
{
    /** The longest text taken from a candidate, in characters. */
    public const LONGEST = 10_000;

    /** @param list<Wording> $wordings */
    public function __construct(public array $wordings)
    {
    }

    public static function id(): KindId
    {
        return KindId::Text;
    }

    public static function rules(): array
    {
        return ['whole'];
    }

    public static function ownSettings(): array
    {
        return [Setting::Ignore, Setting::Typos];
    }

    public static function words(): array
    {
        return ['answer', 'pattern'];
    }

    public static function read(Line $opening, array $parts, Settings $own, Problems $problems): self
    {
        $wordings = [];
        foreach ($parts as $part) {
            $wordings[] = new Wording($part->text, Share::inLine($part, $problems), $part->word === 'pattern', $part->child('says')?->text);
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
        $none = $settings->get(Setting::Key) === 'none';
        if ($none !== ($this->wordings === [])) {
            throw new InvalidQuestion($none ? 'with “key: none” there is no “answer:” line' : 'no wording is accepted; write “answer:” with the right one', 'answer');
        }
        foreach ($this->wordings as $i => $wording) {
            if ($wording->text === '') {
                throw new InvalidQuestion(sprintf('wording %d has no text', $i + 1), 'answer');
            }
        }
    }

    public function response(mixed $given, EffectiveSettings $settings, bool $complete = true): Response
    {
        return self::typed($given);
    }

    /** @throws Malformed */
    public static function typed(mixed $given): Response
    {
        if ($given === null) {
            return Response::blank();
        }
        if ($given === []) {
            throw new Malformed('text', 'is missing; an unanswered question is null');
        }
        $text = Fields::of($given)->only('text')->text('text');
        if (!mb_check_encoding($text, 'UTF-8')) {
            throw new Malformed('text', 'is not UTF-8');
        }
        if (mb_strlen($text) > self::LONGEST) {
            throw new Malformed('text', sprintf('has more than %d characters', self::LONGEST));
        }

        return Response::typed($text);
    }

    public function scoring(EffectiveSettings $settings): Scoring
    {
        $criteria = [];
        foreach ($this->wordings as $i => $wording) {
            $criteria[] = Criterion::right(['n' => $i + 1, $wording->isPattern ? 'pattern' : 'wording' => $wording->text], $wording->share->exact());
        }
        $options = ['ignore' => $settings->entries(Setting::Ignore), 'typos' => $settings->integer(Setting::Typos)];

        return new Scoring(Scoring::LOOK_TEXT, $criteria, Scoring::BEST, Ratio::one(), Ratio::zero(), $settings->points(Setting::Points), $options);
    }

    public function space(EffectiveSettings $settings): ResponseSpace
    {
        return ResponseSpace::nothing();
    }

    public function says(Response $response, array $found): array
    {
        return CriterionFeedback::by($found, fn (int $n): ?string => $this->wordings[$n - 1]->says ?? null);
    }

    public function shuffledLists(): array
    {
        return [];
    }

    public function shownToCandidate(array $order, EffectiveSettings $settings, bool $checked = false): array
    {
        return [];
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
        return ['answer', array_map(static fn (Wording $w, int $i): int => $w->id ?? $i + 1, $this->wordings, array_keys($this->wordings))];
    }

    public function keyInWords(): array
    {
        $best = array_filter($this->wordings, static fn (Wording $w): bool => $w->share->isWhole());
        $plain = array_filter($best, static fn (Wording $w): bool => !$w->isPattern);

        return array_values(array_map(static fn (Wording $w): AnswerLine => AnswerLine::typed($w->text), $plain === [] ? $best : $plain));
    }
}
