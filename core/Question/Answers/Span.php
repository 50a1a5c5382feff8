<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Answers;

use Zetema\Core\Data\AuthorText;
use Zetema\Core\Data\Fields;
use Zetema\Core\Numbers\Ratio;
use Zetema\Core\Numbers\Separators;
use Zetema\Core\Question\Line;
use Zetema\Core\Question\Settings\InvalidSetting;
use Zetema\Core\Question\Settings\Share;

/** A range of accepted numbers, written in words: "14 within 0.6", "12 to 13", "over 12", "11 up to but not 12". */
final readonly class Span
{
    private const NUMBER = '(?:[-−]?\d{1,40}(?:\.\d{1,40})?|[-−]?(?:\d{1,20} )?\d{1,20}\/\d{1,20})';

    private function __construct(
        public string $words,
        public Share $share,
        public ?Ratio $from,
        public bool $fromIncluded,
        public ?Ratio $to,
        public bool $toIncluded,
        public ?string $says,
        public ?int $id,
    ) {
    }

    /**
     * @param int|null $id stable while the question is edited; null: its place
     *
     * @throws InvalidSetting if the words are no span
     */
    public static function of(string $words, ?Share $share = null, ?string $says = null, ?int $id = null): self
    {
        $words = mb_strtolower(preg_replace('/\s+/u', ' ', AuthorText::line($words)) ?? '');
        [$from, $fromIncluded, $to, $toIncluded] = self::ends($words);
        if ($from !== null && $to !== null) {
            $order = $from->compareTo($to);
            if ($order > 0 || ($order === 0 && !($fromIncluded && $toIncluded))) {
                throw new InvalidSetting(sprintf('no number lies in “%s”', $words));
            }
        }
        $says = AuthorText::tidy($says ?? '');

        return new self($words, $share ?? Share::whole(), $from, $fromIncluded, $to, $toIncluded, $says === '' ? null : $says, $id);
    }

    public static function fromData(Fields $data): self
    {
        return self::of(
            Separators::inWords($data->text('span')),
            Share::ofPercent($data->text('share', '100')),
            $data->optionalText('says'),
            $data->optionalInteger('id'),
        );
    }

    /** @return array<string, string|int> */
    public function toData(): array
    {
        return array_filter(
            [
                'id' => $this->id,
                'span' => $this->words,
                'share' => $this->share->isWhole() ? null : (string) $this->share->percent,
                'says' => $this->says,
            ],
            static fn (string|int|null $value): bool => $value !== null,
        );
    }

    public function toLine(): Line
    {
        return Line::written(
            'answer' . $this->share->inHead(),
            $this->words,
            $this->says === null ? [] : [Line::written('says', $this->says)],
        );
    }

    /** @return array{Ratio|null, bool, Ratio|null, bool} */
    private static function ends(string $words): array
    {
        $n = self::NUMBER;
        $match = static function (string $pattern) use ($words): ?array {
            return preg_match('/^' . $pattern . '$/u', $words, $m) === 1 ? $m : null;
        };
        if (($m = $match("($n) within ($n)( ?%)?")) !== null) {
            $value = self::number($m[1]);
            $distance = self::number($m[2]);
            if ($distance->isNegative()) {
                throw new InvalidSetting('what stands after “within” is 0 or above');
            }
            if (isset($m[3])) {
                $distance = $distance->dividedBy(100)->multipliedBy($value->abs());
            }

            return [$value->minus($distance), true, $value->plus($distance), true];
        }
        if (($m = $match("($n) (?:up )?to (but not )?($n)")) !== null) {
            return [self::number($m[1]), true, self::number($m[3]), $m[2] === ''];
        }
        if (($m = $match("over ($n) (?:up )?to (but not )?($n)")) !== null) {
            return [self::number($m[1]), false, self::number($m[3]), $m[2] === ''];
        }
        if (($m = $match("(over|at least|under|at most) ($n)")) !== null) {
            $value = self::number($m[2]);

            return match ($m[1]) {
                'over' => [$value, false, null, false],
                'at least' => [$value, true, null, false],
                'under' => [null, false, $value, false],
                default => [null, false, $value, true],
            };
        }
        if (($m = $match("($n)")) !== null) {
            $value = self::number($m[1]);

            return [$value, true, $value, true];
        }
        throw new InvalidSetting(
            sprintf('“%s” is no number or span; “14”, “14 within 0.6”, “12 to 13”, “over 12” would be right', mb_substr($words, 0, 60)),
        );
    }

    /** A decimal, a fraction or a mixed number. */
    private static function number(string $written): Ratio
    {
        $plain = str_replace('−', '-', $written);
        $parts = explode(' ', ltrim($plain, '-'));
        $value = Ratio::zero();
        foreach ($parts as $part) {
            if (preg_match('/\/0+$/', $part) === 1) {
                throw new InvalidSetting('nothing can be divided by 0');
            }
            $value = $value->plus(Ratio::of($part));
        }

        return str_starts_with($plain, '-') ? $value->negated() : $value;
    }
}
