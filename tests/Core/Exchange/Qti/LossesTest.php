<?php

declare(strict_types=1);

namespace Zetema\Tests\Core\Exchange\Qti;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Zetema\Core\Exchange\Qti\Package\PackageSource;
use Zetema\Core\Exchange\Qti\Unmatched;
use Zetema\Core\Exchange\Qti\Writing\Kinds\KindWriter;
use Zetema\Core\Exchange\Qti\Writing\KindWriters;
use Zetema\Core\Exchange\Qti\Writing\Losses;
use Zetema\Core\Exchange\Qti\Writing\PackageWriter;
use Zetema\Core\Exchange\Qti\Writing\Version;
use Zetema\Core\Exchange\Qti\Writing\WrittenSection;
use Zetema\Core\Exchange\Qti\Writing\WrittenTest;
use Zetema\Core\Exchange\TextFormat\Reader;
use Zetema\Core\Question\InvalidQuestion;
use Zetema\Core\Question\Kinds\KindId;
use Zetema\Core\Question\Question;
use Zetema\Core\Question\Settings\Setting;
use Zetema\Tests\Core\Exchange\TemporaryFile;

/** Whatever a package cannot say is listed: found by writing every setting of every kind, reading it back, and looking for what differs. */
final class LossesTest extends TestCase
{
    use TemporaryFile;

    /** Values of settings that take no word of a few. */
    private const VALUES = [
        'hint costs' => ['1'],
        'attempts' => ['3', 'unlimited'],
        'time' => ['90 s'],
        'choose' => ['2', 'at most 2'],
        'clicks' => ['3', 'any'],
        'ignore' => ['nothing', 'case, accents'],
        'typos' => ['1'],
        'unit' => ['kg, kilos'],
        'figures' => ['2 decimals'],
        'decimals' => ['0', '4'],
        'refresher' => ['wick care'],
        'how' => ['Look twice.'],
    ];
    /** What marks are reckoned from comes back as whatever gives the same marks (RoundTripTest). */
    private const MARKS = [Setting::Points, Setting::Marking, Setting::WrongPartCosts, Setting::WrongCosts, Setting::BlankCosts, Setting::AttemptCosts, Setting::Floor];

    /** @return iterable<string, array{Question, Setting}> */
    public static function settings(): iterable
    {
        // Each with a hint, so that what hints cost matters.
        foreach ((new Reader())->questions((string) preg_replace('/\n(?=\n|\z)/', "\n  hint: Think.\n", rtrim(EveryKind::TEXT) . "\n")) as $read) {
            $question = $read->question ?? throw new \LogicException($read->problems[0]->message);
            foreach (Setting::cases() as $setting) {
                foreach (in_array($setting, self::MARKS, true) ? [] : ($setting->words() === [] ? self::VALUES[$setting->value] ?? [] : $setting->words()) as $value) {
                    try {
                        yield "$question->stem, $setting->value: $value" => [$question->with($question->settings->with($setting, $value), []), $setting];
                    } catch (InvalidQuestion) {
                        continue; // no such value goes with it
                    }
                }
            }
        }
    }

    #[DataProvider('settings')]
    public function test_a_setting_comes_back_or_is_listed(Question $question, Setting $setting): void
    {
        $before = $question->effective();
        $attempts = $before->attempts();
        $late = $before->get(Setting::Late) === 'marks';
        $writer = new PackageWriter(Version::V30, static fn (): string => 'GIF89a');
        $reference = ['name' => 'q', 'attempts' => $attempts === 1 ? null : $attempts ?? 0, 'seconds' => $before->seconds(), 'isLateMarked' => $late, 'weight' => null];
        $writer->write(['q' => [$question, $before]], new WrittenTest('T', [new WrittenSection('S', [$reference])]));
        $zip = new \ZipArchive();
        $zip->open($this->file, \ZipArchive::OVERWRITE);
        array_map($zip->addFromString(...), array_keys($writer->files), $writer->files);
        $zip->close();
        $again = iterator_to_array(PackageSource::ofZip($this->file)->questions(), false)[0]->question ?? null;
        self::assertNotNull($again);
        $listed = array_filter(Losses::of($question, $before), static fn (string $lost): bool => str_starts_with($lost, $setting->value));
        $after = $again->effective();
        // What lies below each other anyway needs no word, nor has a scale a key; a kind that always mixes its only list is mixed.
        $isSame = [$setting->value, $before->get($setting)] === ['layout', 'column'] || ($setting === Setting::Key && !$question->kind::id()->facts()->isJudged);
        self::assertTrue(
            $listed !== [] || $isSame || $before->get($setting) === $after->get($setting),
            sprintf('%s was %s, is %s, and is not listed', $setting->value, $before->get($setting) ?? '–', $after->get($setting) ?? '–'),
        );
    }

    /** @return iterable<string, array{KindId}> */
    public static function kinds(): iterable
    {
        foreach (KindId::cases() as $kind) {
            yield $kind->value => [$kind];
        }
    }

    #[DataProvider('kinds')]
    public function test_a_kind_without_a_writer_is_left_out_and_listed(KindId $kind): void
    {
        $asked = [];
        foreach (iterator_to_array((new Reader())->questions(EveryKind::TEXT), false) as $i => $read) {
            $question = $read->question ?? throw new \LogicException($read->problems[0]->message);
            $asked["q$i"] = [$question, $question->effective()];
        }
        $ofKind = array_filter($asked, static fn (array $one): bool => $one[0]->kind::id() === $kind);
        $writer = new PackageWriter(
            Version::V30,
            static fn (): string => 'GIF89a',
            new KindWriters(
                ...array_filter(
                    array_map(static fn (array $one): ?KindWriter => KindWriters::all()->of($one[0]), array_values($asked)),
                    static fn (?KindWriter $writer): bool => $writer !== null && $writer::kind() !== $kind,
                ),
            ),
        );
        $references = array_map(static fn (string $name): array => ['name' => $name, 'attempts' => null, 'seconds' => null, 'isLateMarked' => false, 'weight' => null], array_keys($asked));
        $writer->write($asked, new WrittenTest('T', [new WrittenSection('S', $references)]));

        self::assertNotSame([], $ofKind);
        $items = array_filter(array_keys($writer->files), static fn (string $path): bool => str_starts_with($path, 'items/'));
        self::assertCount(count($asked) - count($ofKind), $items);
        self::assertCount(count($ofKind), array_filter($writer->unmatched, static fn (Unmatched $u): bool => $u->what === "the kind “{$kind->value}”"));
        self::assertSame(count($items), substr_count($writer->files['tests/assessment.xml'], '<qti-assessment-item-ref'), 'and the test asks for what is there');
    }

    public function test_every_kind_has_a_writer(): void
    {
        self::assertEqualsCanonicalizing(array_column(KindId::cases(), 'value'), KindWriters::all()->kinds());
    }
}
