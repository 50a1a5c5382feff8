<?php

declare(strict_types=1);

namespace Zetema\Tests\App;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Zetema\App\Bank\Question\QuestionMargin;
use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Drawing\Chance;
use Zetema\Core\Drawing\ChoiceOrder;
use Zetema\Core\Exchange\TextFormat\Writer;
use Zetema\Core\Proofreading\Proofreader;
use Zetema\Core\Question\Question;
use Zetema\Core\Question\Sketch;
use Zetema\Core\Sitting\Paper\PageAnswers;
use Zetema\Tests\Core\DemoQuestionsTest;

/** Whatever a page or a program sends: it is taken, or refused by its field, and nothing ever breaks. */
final class HostileInputTest extends TestCase
{
    private const INSTEAD = [null, '', ' ', 'x', '–', "a\nb: c", '0', '-1', '1e9', '999999999999999999999', 0, -1, 7, PHP_INT_MAX, 2.5, true, [], [[]], ['x'], [1, 1], ['v' => 1], [['id' => 1]], [null]];

    /** @return iterable<string, array{Question}> one question of each kind */
    public static function kinds(): iterable
    {
        $seen = [];
        foreach (DemoQuestionsTest::questions() as [$question]) {
            $kind = $question->kind::id()->value;
            if (!isset($seen[$kind])) {
                $seen[$kind] = true;
                yield $kind => [$question];
            }
        }
    }

    #[DataProvider('kinds')]
    public function test_any_field_of_a_question_may_be_anything(Question $question): void
    {
        $data = json_decode((string) json_encode($question->toData()), true);
        self::assertIsArray($data);
        $data += ['outcomeTexts' => [['outcome' => 'wrong', 'text' => 'No.']], 'notes' => [['when' => [[['outcome' => 'wrong']]], 'text' => 'Hm.']], 'hints' => [['text' => 'Look.']], 'tags' => ['a']];
        [$whole, $kept, $refused] = [0, 0, 0];
        foreach (self::paths($data) as $path) {
            foreach (self::INSTEAD as $instead) {
                try {
                    $sketch = Sketch::of(Fields::of(self::with($data, $path, $instead)), null, []);
                } catch (Malformed $e) {
                    ++$refused;
                    self::assertNotSame('', $e->field);
                    continue;
                }
                $sketch->question === null ? ++$kept : ++$whole;
                if ($sketch->question !== null) {
                    self::used($sketch->question);
                }
            }
        }

        self::assertGreaterThan(0, min($kept, $refused, $whole));
    }

    #[DataProvider('kinds')]
    public function test_any_response_is_taken_or_refused_by_its_field(Question $question): void
    {
        $sheet = new PageAnswers($question, $question->effective(), ChoiceOrder::of($question, true, new Chance(3)));
        $fields = ['choose', 'text', 'gaps', 'pairs', 'groups', 'order', 'points', 'place', 'other'];
        $taken = 0;
        foreach ($fields as $field) {
            foreach ([...self::INSTEAD, ['1' => 'x'], ['1' => '1'], ['2' => '99'], ['99' => '1'], ['1' => ['x']], [[1, 2]], [[1]], [[-1, 5]], [[5, 5, 5]], [['a', 'b']], ['1' => null], (object) []] as $given) {
                try {
                    $question->kind->inWords($sheet->fromPage([$field => $given]), withKey: true);
                    ++$taken;
                } catch (Malformed $e) {
                    self::assertNotSame('', $e->field);
                }
            }
        }
        foreach (self::INSTEAD as $given) {
            try {
                $sheet->fromPage($given);
                ++$taken;
            } catch (Malformed $e) {
                self::assertNotSame('', $e->getMessage());
            }
        }

        self::assertGreaterThan(0, $taken);
    }

    /** What the screens do with a question that is whole. */
    private static function used(Question $question): void
    {
        (new QuestionMargin($question, \Zetema\Core\Question\Settings\BankSettings::none()))->toData();
        (new Proofreader())->read($question, $question->effective());
        (new PageAnswers($question, $question->effective(), ChoiceOrder::of($question, true, new Chance(1))))->shown(true);
        $text = (new Writer())->question($question);
        self::assertNotSame('', $text);
    }

    /**
     * @param array<array-key, mixed> $data
     * @param list<int|string> $to
     *
     * @return list<list<int|string>> of every field and entry
     */
    private static function paths(array $data, array $to = []): array
    {
        $paths = [];
        foreach ($data as $key => $value) {
            $paths[] = [...$to, $key];
            if (is_array($value)) {
                array_push($paths, ...self::paths($value, [...$to, $key]));
            }
        }

        return $paths;
    }

    /**
     * @param array<array-key, mixed> $data
     * @param list<int|string> $path
     *
     * @return array<array-key, mixed>
     */
    private static function with(array $data, array $path, mixed $instead): array
    {
        $key = array_shift($path);
        if ($path === []) {
            $data[$key ?? 0] = $instead;
        } elseif (is_array($data[$key] ?? null)) {
            $data[$key] = self::with($data[$key], $path, $instead);
        }

        return $data;
    }
}
