<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Kinds\Rating;

use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Numbers\Ratio;
use Zetema\Core\Question\Answers\AnswerLine;
use Zetema\Core\Question\InvalidQuestion;
use Zetema\Core\Question\Kinds\Common\ResponseReader;
use Zetema\Core\Question\Kinds\Kind;
use Zetema\Core\Question\Kinds\KindFacts;
use Zetema\Core\Question\Kinds\KindId;
use Zetema\Core\Question\Kinds\LineWord;
use Zetema\Core\Question\Kinds\Tallied;
use Zetema\Core\Question\Line;
use Zetema\Core\Question\Points;
use Zetema\Core\Question\Problems;
use Zetema\Core\Question\Response\ChosenChoices;
use Zetema\Core\Question\Response\Response;
use Zetema\Core\Question\Response\ResponseForm;
use Zetema\Core\Question\Response\Space\Subsets;
use Zetema\Core\Question\Scoring\Look;
use Zetema\Core\Question\Scoring\Scoring;
use Zetema\Core\Question\Scoring\ShareRule;
use Zetema\Core\Question\Settings\EffectiveSettings;
use Zetema\Core\Question\Settings\Settings;
use Zetema\Core\Question\Texts\TextSort;

/** A scale: never graded, recorded only. */
final readonly class Rating implements Kind, Tallied
{
    /**
     * @param list<string> $ends words at the two ends, or none
     * @param list<string> $tallies named counts that the value chosen is added to
     */
    public function __construct(public int $from, public int $to, public array $ends, public array $tallies = [])
    {
    }

    public static function id(): KindId
    {
        return KindId::Rating;
    }

    public static function facts(): KindFacts
    {
        return new KindFacts(
            names: ['rating', 'a scale'],
            opening: ['rating'],
            words: [LineWord::short('scale'), LineWord::short('ends'), LineWord::short('tally')],
            line: 'answer',
            how: 'Choose a value.',
            form: ResponseForm::Choices,
            field: 'choose',
            lists: [],
            texts: ['ends.*' => TextSort::ScaleEnd],
            empty: ['from' => 1, 'to' => 5, 'ends' => ['', ''], 'tallies' => []],
            template: "rating: {How sure are you?}\n  scale: 1 to 5\n  ends: {not at all}, {completely}\n",
            isScale: true,
            isJudged: false,
            isPartly: false,
        );
    }

    public static function read(Line $opening, array $parts, Settings $own, Problems $problems): self
    {
        $scale = null;
        $ends = [];
        $tallies = [];
        foreach ($parts as $part) {
            if ($part->word === 'tally') {
                if (preg_match('/^(?!.*[+\-−]\d+$)\S/u', $part->text) === 1) {
                    $tallies[] = $part->text;
                } else {
                    $problems->inText($part, 'a rating adds its value: `tally: patience` would be right');
                }
                continue;
            }
            if ($part->word === 'scale') {
                if (preg_match('/^(\d{1,3}) to (\d{1,3})$/', mb_strtolower($part->text), $m) === 1) {
                    $scale = [(int) $m[1], (int) $m[2]];
                } else {
                    $problems->inText($part, 'a scale is written like `scale: 1 to 5`');
                }
                continue;
            }
            $ends = array_map(trim(...), explode(',', $part->text));
            if (count($ends) !== 2 || in_array('', $ends, true)) {
                $problems->inText($part, 'two words are wanted: `ends: not at all, completely`');
            }
        }

        return new self($scale[0] ?? 0, $scale[1] ?? 0, $ends, array_values(array_unique($tallies)));
    }

    public static function fromData(Fields $data): self
    {
        return new self(
            $data->integer('from'),
            $data->integer('to'),
            $data->texts('ends', optional: true),
            $data->texts('tallies', optional: true),
        );
    }

    public function toData(): array
    {
        return [
            'from' => $this->from,
            'to' => $this->to,
            ...$this->ends === [] ? [] : ['ends' => $this->ends],
            ...$this->tallies === [] ? [] : ['tallies' => $this->tallies],
        ];
    }

    public function toLines(string $stem): array
    {
        return [
            Line::written('rating', $stem),
            Line::written('scale', $this->from . ' to ' . $this->to),
            ...$this->ends === [] ? [] : [Line::written('ends', implode(', ', $this->ends))],
            ...array_map(static fn (string $name): Line => Line::written('tally', $name), $this->tallies),
        ];
    }

    public function verify(EffectiveSettings $settings, string $stem): void
    {
        if ($this->from >= $this->to || $this->to - $this->from > 100) {
            throw new InvalidQuestion('a `scale: 1 to 5` line is missing, or its ends are the wrong way round', 'scale');
        }
    }

    public function response(mixed $given, EffectiveSettings $settings, bool $complete = true): Response
    {
        $fields = ResponseReader::field($given, 'choose');
        $chosen = $fields?->integers('choose') ?? [];
        if (count($chosen) > 1) {
            throw new Malformed('choose', sprintf('has %d values; one may be chosen', count($chosen)));
        }
        if ($chosen !== [] && ($chosen[0] < $this->from || $chosen[0] > $this->to)) {
            throw new Malformed('choose', sprintf('%d is not on the scale', $chosen[0]));
        }

        return Response::choosing($chosen);
    }

    public function scoring(EffectiveSettings $settings): Scoring
    {
        return new Scoring(Look::Choices, [], ShareRule::None, Ratio::one(), Ratio::zero(), Points::zero());
    }

    public function notYet(Response $response, EffectiveSettings $settings): ?string
    {
        return null;
    }

    public function space(EffectiveSettings $settings): Subsets
    {
        return new Subsets(range($this->from, $this->to), 1, 1);
    }

    public function isListable(): bool
    {
        return true;
    }

    public function telling(EffectiveSettings $settings): iterable
    {
        return $this->space($settings)->all();
    }

    public function says(Response $response, array $found): array
    {
        return [];
    }

    public function shuffledLists(): array
    {
        return [];
    }

    public function shownToCandidate(array $order, EffectiveSettings $settings, bool $checked = false): array
    {
        return ['from' => $this->from, 'to' => $this->to, 'ends' => $this->ends];
    }

    public function inWords(Response $response, bool $withKey = false): array
    {
        return array_map(static fn (int $value): AnswerLine => AnswerLine::typed((string) $value), ChosenChoices::in($response));
    }

    public function choices(): array
    {
        return [];
    }

    public function lineIds(): array
    {
        return [];
    }

    public function saysAnything(): bool
    {
        return false;
    }

    public function keyTexts(): array
    {
        return [];
    }

    public function keyInWords(): array
    {
        return [];
    }

    /** Under a rating a tally counts the value chosen. */
    public function adds(string $tally, Response $response): int
    {
        return in_array($tally, $this->tallies, true) ? ChosenChoices::in($response)[0] ?? 0 : 0;
    }

    public function span(string $tally): array
    {
        return in_array($tally, $this->tallies, true) ? [$this->from, $this->to] : [0, 0];
    }
}
