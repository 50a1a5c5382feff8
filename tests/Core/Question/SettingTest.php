<?php

declare(strict_types=1);

namespace Zetema\Tests\Core\Question;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Question\Settings\EffectiveSettings;
use Zetema\Core\Question\Settings\InvalidSetting;
use Zetema\Core\Question\Settings\Setting;
use Zetema\Core\Question\Settings\Settings;

final class SettingTest extends TestCase
{
    /** @return iterable<string, array{Setting, string, string|null}> setting, typed, its canonical form or null if it is refused */
    public static function values(): iterable
    {
        $table = [
            'points' => ['10' => '10', '2.50' => '2.5', '0.01' => '0.01', '1000' => '1000', '0' => null, '1000.01' => null, '-1' => null, 'ten' => null, '1,5' => '1.5', '1,250' => null, '1e3' => null],
            'wrong costs' => ['0' => '0', '0.25' => '0.25', '-1' => null, '' => null, '0,5' => '0.5'],
            'floor' => ['none' => 'none', 'NONE' => 'none', '0' => '0', '-3' => '-3', '−3' => '-3', '1' => null],
            'graded' => ['yes' => 'yes', 'No' => 'no', 'maybe' => null],
            'key' => ['none' => 'none', 'some' => null],
            'marking' => ['whole' => 'whole', 'Parts' => 'parts', 'parts by  place' => 'parts by place', 'half' => null],
            'attempts' => ['2' => '2', '02' => '2', 'unlimited' => 'unlimited', '0' => null, '100' => null, '1.5' => null],
            'attempt costs' => ['5' => '5', '2,5' => '2, 5', '50%' => '50 %', '2, 50 %' => '2, 50 %', '12.5 %' => '12.5 %', '101 %' => null, '2,' => null, '-1' => null],
            'stands' => ['last' => 'last', 'BEST' => 'best', 'first' => null],
            'late' => ['wrong' => 'wrong', 'blank' => 'blank', 'marks' => 'marks', 'never' => null],
            'time' => [
                '30 s' => '30 s',
                '30s' => '30 s',
                '2 min' => '2 min',
                '90' => '90 s',
                '120 s' => '120 s',
                '1:30' => '90 s',
                '2:00' => '2 min',
                '2 min 30 s' => '150 s',
                '2min 5s' => '125 s',
                '0 s' => null,
                '0:00' => null,
                '1:75' => null,
                '1 h' => null,
                '99999' => null,
                'a while' => null,
            ],
            'shuffle' => ['yes' => 'yes', 'off' => null],
            'choose' => ['any' => 'any', '2' => '2', 'exactly 2' => '2', 'at most 2' => 'at most 2', '0' => null, 'at least 2' => null],
            'clicks' => ['any' => 'any', '3' => '3', '0' => null, '201' => null],
            'areas' => ['hidden' => 'hidden', 'outlined after checking' => 'outlined after checking', 'shown' => null],
            'ignore' => ['nothing' => 'nothing', 'accents, case' => 'case, accents', 'punctuation' => 'punctuation', 'spaces' => null, 'case,' => null],
            'typos' => ['0' => '0', '2' => '2', '3' => null],
            'unit' => ['kg, kilograms' => 'kg, kilograms', '%' => '%', 'kg,,g' => null],
            'figures' => ['2 decimals' => '2 decimals', '3 significant' => '3 significant', '2' => null, 'two decimals' => null],
            'decimals' => ['0' => '0', '4' => '4', '5' => null],
            'layout' => ['two columns' => 'two columns', 'circle' => null],
            'refresher' => ['why eggs matter' => 'why eggs matter', ' ' => null],
        ];
        foreach ($table as $word => $rows) {
            foreach ($rows as $typed => $canonical) {
                yield "$word: $typed" => [Setting::from($word), (string) $typed, $canonical];
            }
        }
    }

    #[DataProvider('values')]
    public function test_a_value_has_one_written_form_or_is_refused_with_what_would_be_right(Setting $setting, string $typed, ?string $canonical): void
    {
        if ($canonical === null) {
            $this->expectException(InvalidSetting::class);
        }

        self::assertSame($canonical, $setting->canonical($typed));
        self::assertSame($canonical, $setting->canonical($canonical), 'its canonical form stays as it is');
    }

    public function test_every_house_value_is_a_value_that_could_be_typed(): void
    {
        foreach (Setting::cases() as $setting) {
            $house = $setting->houseValue();
            self::assertTrue($house === null || $setting->canonical($house) === $house, $setting->value);
        }
    }

    public function test_an_unknown_word_is_refused(): void
    {
        $this->expectExceptionMessage('“colour” is no setting');

        Settings::of(['colour' => 'red']);
    }

    public function test_unset_is_not_the_same_as_the_default(): void
    {
        $set = Settings::none()->with(Setting::Attempts, '1');

        self::assertSame('1', $set->get(Setting::Attempts));
        self::assertNull(Settings::none()->get(Setting::Attempts));
        self::assertNull($set->with(Setting::Attempts, null)->get(Setting::Attempts));
    }

    public function test_what_is_read_of_effective_settings(): void
    {
        $settings = EffectiveSettings::from(['question' => Settings::of(['time' => '2 min', 'choose' => 'at most 3', 'attempts' => 'unlimited', 'ignore' => 'nothing'])]);

        self::assertSame(120, $settings->seconds());
        self::assertSame(['least' => 0, 'most' => 3], $settings->limits());
        self::assertNull($settings->attempts());
        self::assertSame([], $settings->entries(Setting::Ignore));
        self::assertSame('house', $settings->placeOf(Setting::Late));
    }

    /** @return iterable<string, array{callable(Fields): mixed, string}> */
    public static function misreadings(): iterable
    {
        yield 'a text' => [static fn (Fields $f): string => $f->text('n'), 'n: must be a text'];
        yield 'a number' => [static fn (Fields $f): int => $f->integer('t'), 't: must be a whole number'];
        yield 'a flag' => [static fn (Fields $f): bool => $f->flag('t'), 't: must be true or false'];
        yield 'an object' => [static fn (Fields $f): Fields => $f->object('l'), 'l: must be an object'];
        yield 'a list' => [static fn (Fields $f): array => $f->items('o'), 'o: must be a list'];
        yield 'something missing' => [static fn (Fields $f): string => $f->text('gone'), 'gone: must be a text'];
        yield 'deep inside' => [static fn (Fields $f): string => $f->object('o')->text('inner'), 'o.inner: must be a text'];
        yield 'in a list' => [static fn (Fields $f): array => $f->texts('l'), 'l: must be a list of texts'];
        yield 'a further field' => [static fn (Fields $f): Fields => $f->only('n', 't', 'l'), 'o: is no field here; n, t, l would be'];
    }

    /** @param callable(Fields): mixed $read */
    #[DataProvider('misreadings')]
    public function test_data_of_the_wrong_shape_is_refused_by_its_field(callable $read, string $message): void
    {
        $this->expectException(Malformed::class);
        $this->expectExceptionMessage($message);

        $read(Fields::ofJson('{"n": 1, "t": "x", "l": [1, "a"], "o": {"inner": 2}}'));
    }
}
