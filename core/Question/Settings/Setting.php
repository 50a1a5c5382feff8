<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Settings;

use Zetema\Core\Numbers\Separators;
use Zetema\Core\Question\Points;
use Zetema\Core\Time\Duration;

/**
 * What can be set for a question. Every value is kept in one canonical written form, the one of the text format;
 * so it looks the same in files, in storage and on the screen.
 */
enum Setting: string
{
    case Points = 'points';
    case Graded = 'graded';
    case Key = 'key';
    case Marking = 'marking';
    case WrongPartCosts = 'wrong part costs';
    case WrongCosts = 'wrong costs';
    case BlankCosts = 'blank costs';
    case HintCosts = 'hint costs';
    case Attempts = 'attempts';
    case AttemptCosts = 'attempt costs';
    case Stands = 'stands';
    case Floor = 'floor';
    case Late = 'late';
    case Time = 'time';
    case Shuffle = 'shuffle';
    case Choose = 'choose';
    case Clicks = 'clicks';
    case Areas = 'areas';
    case Ignore = 'ignore';
    case Typos = 'typos';
    case Unit = 'unit';
    case Figures = 'figures';
    case Decimals = 'decimals';
    case Refresher = 'refresher';
    case Layout = 'layout';
    case How = 'how';

    /**
     * The canonical form of a typed value.
     *
     * @throws InvalidSetting saying what would be right
     */
    public function canonical(string $typed): string
    {
        $value = preg_replace('/\s+/u', ' ', trim($typed)) ?? '';
        $lower = mb_strtolower($value);

        return match ($this) {
            self::Points => self::decimal($value, '0.01', '1000'),
            self::WrongPartCosts, self::WrongCosts, self::BlankCosts, self::HintCosts => self::decimal($value, '0', '1000'),
            self::Floor => $lower === 'none' ? 'none' : self::decimal($value, '-100000', '0', 'a decimal of 0 or below, or none'),
            self::Graded, self::Shuffle, self::Key, self::Marking, self::Stands, self::Late, self::Areas, self::Layout => self::oneOf(
                $lower,
                ...$this->words(),
            ),
            self::Clicks => $lower === 'any' ? $lower : self::whole($lower, 1, 200, 'a number from 1 to 200, or any'),
            self::Attempts => $lower === 'unlimited' ? $lower : self::whole($lower, 1, 99, 'a number from 1 to 99, or unlimited'),
            self::Typos => self::whole($lower, 0, 2, '0, 1 or 2'),
            self::Decimals => self::whole($lower, 0, 4, 'a number from 0 to 4'),
            self::AttemptCosts => implode(', ', array_map(self::cost(...), self::parts($value))),
            self::Time => $lower === 'none' ? 'none' : self::time($lower),
            self::Choose => self::choose($lower),
            self::Ignore => self::ignore($lower),
            self::Unit => implode(', ', self::parts($value)),
            self::Figures => self::figures($lower),
            self::Refresher, self::How => $value !== '' ? $value : throw new InvalidSetting('a text is missing'),
        };
    }

    /** @return list<string> the values there are, where it takes one of a few words; none where it takes numbers or texts */
    public function words(): array
    {
        return match ($this) {
            self::Graded, self::Shuffle => ['yes', 'no'],
            self::Key => ['none'],
            self::Marking => array_column(Marking::cases(), 'value'),
            self::Stands => array_column(Stands::cases(), 'value'),
            self::Late => array_column(Late::cases(), 'value'),
            self::Areas => array_column(Areas::cases(), 'value'),
            self::Layout => ['column', 'two columns', 'row', 'list'],
            self::Points,
            self::WrongPartCosts,
            self::WrongCosts,
            self::BlankCosts,
            self::HintCosts,
            self::Attempts,
            self::AttemptCosts,
            self::Floor,
            self::Time,
            self::Choose,
            self::Clicks,
            self::Ignore,
            self::Typos,
            self::Unit,
            self::Figures,
            self::Decimals,
            self::Refresher,
            self::How => [],
        };
    }

    /** What counts where nothing is said: the house rules as shipped (null: nothing at all). */
    public function houseValue(): ?string
    {
        return match ($this) {
            self::Points, self::Attempts, self::Clicks => '1',
            self::Areas => 'hidden',
            self::Graded => 'yes',
            self::Marking => 'whole',
            self::WrongCosts, self::BlankCosts, self::HintCosts, self::AttemptCosts, self::Typos => '0',
            self::Stands => 'last',
            self::Floor => 'none',
            self::Late => 'wrong',
            self::Shuffle => 'no',
            self::Choose => 'any',
            self::Ignore => 'case',
            self::Decimals => '2',
            self::Key, self::WrongPartCosts, self::Time, self::Unit, self::Figures, self::Refresher, self::Layout, self::How => null,
        };
    }

    /** Whether only some kinds have it. */
    public function isOfSomeKinds(): bool
    {
        return in_array(
            $this,
            [
                self::Shuffle,
                self::Layout,
                self::Choose,
                self::Clicks,
                self::Areas,
                self::WrongPartCosts,
                self::Ignore,
                self::Typos,
                self::Unit,
                self::Figures,
            ],
            true,
        );
    }

    private static function decimal(string $value, string $least, string $most, ?string $right = null): string
    {
        $points = Points::of(Separators::inWords($value));
        if ($points->compare(Points::of($least)) < 0 || $points->compare(Points::of($most)) > 0) {
            throw new InvalidSetting(
                sprintf('“%s” does not go here; %s would be right', $value, $right ?? "a decimal from $least to $most"),
            );
        }

        return (string) $points;
    }

    private static function oneOf(string $value, string ...$allowed): string
    {
        return in_array($value, $allowed, true)
            ? $value
            : throw new InvalidSetting(sprintf('“%s” does not go here; %s would be right', $value, implode(' or ', $allowed)));
    }

    private static function whole(string $value, int $least, int $most, string $right): string
    {
        return preg_match('/^\d{1,3}$/', $value) === 1 && (int) $value >= $least && (int) $value <= $most
            ? (string) (int) $value
            : throw new InvalidSetting(sprintf('“%s” does not go here; %s would be right', $value, $right));
    }

    /** "5" points or "50 %" of the worth. */
    private static function cost(string $value): string
    {
        if (preg_match('/^(\d{1,3}(?:\.\d{1,6})?) ?%$/', $value, $m) === 1) {
            return self::decimal($m[1], '0', '100') . ' %';
        }

        return self::decimal($value, '0', '1000', 'points such as 5, or a share such as 50 %,');
    }

    private static function time(string $value): string
    {
        $seconds = self::duration($value)->inSeconds();

        return $seconds % 60 === 0 && !str_contains($value, 's') ? $seconds / 60 . ' min' : $seconds . ' s';
    }

    /** @throws InvalidSetting if it is none of up to a day */
    public static function duration(string $typed): Duration
    {
        return Duration::written(mb_strtolower(preg_replace('/\s+/u', ' ', trim($typed)) ?? '')) ??
            throw new InvalidSetting(sprintf('“%s” is no time up to 24 hours; write it like 30 s, 2 min or 1:30', $typed));
    }

    private static function choose(string $value): string
    {
        if ($value === 'any') {
            return $value;
        }
        if (preg_match('/^(at most |exactly )?([1-9]\d?)$/', $value, $m) !== 1) {
            throw new InvalidSetting(sprintf('“%s” does not go here; any, 2 or at most 2 would be right', $value));
        }

        return ($m[1] === 'at most ' ? 'at most ' : '') . $m[2];
    }

    private static function ignore(string $value): string
    {
        if ($value === 'nothing') {
            return $value;
        }
        $given = self::parts($value);
        foreach ($given as $part) {
            self::oneOf($part, 'case', 'accents', 'punctuation');
        }

        return implode(', ', array_values(array_intersect(['case', 'accents', 'punctuation'], $given)));
    }

    private static function figures(string $value): string
    {
        return preg_match('/^(\d{1,2}) (decimals|significant)$/', $value, $m) === 1
            ? (int) $m[1] . ' ' . $m[2]
            : throw new InvalidSetting(sprintf('“%s” does not go here; 2 decimals or 3 significant would be right', $value));
    }

    /** @return list<string> */
    private static function parts(string $value): array
    {
        $parts = array_map(trim(...), explode(',', $value));

        return in_array('', $parts, true) ? throw new InvalidSetting('something is missing between or beside the commas') : $parts;
    }
}
