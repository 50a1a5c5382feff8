<?php

declare(strict_types=1);

namespace Zetema\Tests\Core\Question;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Zetema\Core\Data\Fields;
use Zetema\Core\Proofreading\Flaw;
use Zetema\Core\Proofreading\Proofreader;
use Zetema\Core\Question\Change\Replacement;
use Zetema\Core\Question\Kinds\KindId;
use Zetema\Core\Question\Mentions;
use Zetema\Core\Question\Question;
use Zetema\Core\Question\Texts\QuestionText;
use Zetema\Core\Question\Texts\QuestionTexts;
use Zetema\Core\Question\TextWork;
use Zetema\Tests\Core\TextQuestions;

/** A kind says where its author's texts are: whatever goes through texts finds each of them. */
final class KindTextsTest extends TestCase
{
    /** What every question can say besides. */
    private const BESIDES = "\n how: Look long.\n hint: Hintful.";
    private const PICTURE = " image: frame.svg\n  size: 400 300\n  shows: Shown";
    /** A question of each kind that has every text which the kind can have. */
    private const QUESTIONS = [
        'one' => "one: Stem\n yes: First\n  says: Saying\n no: Second",
        'several' => "several: Stem\n yes: First\n  says: Saying\n no: Second",
        'claim' => "true: Stem\n words: holds, fails",
        'number' => "number: Stem\n answer: 14\n  says: Saying",
        'text' => "text: Stem\n answer: Wording\n  says: Saying\n pattern: pat*tern",
        'gaps' => "gaps: Stem ___ or ___\n gap 1: Wording\n  says: Saying\n gap 2 yes: Listed\n gap 2 no: Unlisted",
        'pairs' => "pairs: Stem\n pair: Left\n  with: Right\n pair: Lefter\n  with: Righter\n spare with: Spare",
        'groups' => "groups: Stem\n group: Grouped\n  item: Item\n group: Grouping\n  item: Itemed",
        'order' => "order: Stem\n item: Item\n item: Itemed\n item: Itemised",
        'regions' => "regions: Stem\n" . self::PICTURE . "\n area yes: rectangle 1 1 9 9\n  name: Named\n  says: Saying",
        'place' => "place: Stem\n" . self::PICTURE . "\n spot: 10 10 5\n  name: Named\n label: Label\n  at: 1",
        'rating' => "rating: Stem\n scale: 1 to 5\n ends: Never, Always",
    ];
    /** Strings of the stored form that are no texts: what they are by their last field, and whole branches. */
    private const NO_TEXTS = ['kind', 'file', 'area', 'span', 'share', 'weight', 'earns', 'loses', 'belongs', 'pattern', 'outcome', 'costs', 'after', 'difficulty'];

    /** @return iterable<string, array{KindId, array<string, mixed>}> */
    public static function kinds(): iterable
    {
        foreach (KindId::cases() as $kind) {
            $facts = $kind->facts();
            $outcome = $facts->isJudged ? "\n if wrong: Wrongful." : "\n if recorded: Recorded.";
            $data = TextQuestions::one(self::QUESTIONS[$kind->value] . self::BESIDES . $outcome)->toData();
            if ($kind === KindId::Claim) {
                // Its words say nothing in the text format; by a package they can.
                $data['choices'] = [['id' => 1, 'text' => 'holds', 'key' => true, 'says' => 'Saying'], ['id' => 2, 'text' => 'fails', 'key' => false]];
            }
            yield $kind->value => [$kind, [...$data, 'notes' => [['when' => [[['outcome' => 'unanswered']]], 'text' => 'Noteful.']]]];
        }
    }

    /** @param array<string, mixed> $data */
    #[DataProvider('kinds')]
    public function test_every_string_is_a_text_or_known_to_be_none(KindId $kind, array $data): void
    {
        $left = [];
        $marked = QuestionTexts::replaced($data, static fn (): string => 'a text');
        array_walk_recursive($marked, static function (mixed $value, int|string $key) use (&$left): void {
            if (is_string($value) && $value !== 'a text' && !in_array($key, self::NO_TEXTS, true)) {
                $left[] = "$key: $value";
            }
        });
        $generated = $kind === KindId::Gaps ? ['text: gap 1', 'text: gap 2'] : [];

        self::assertSame([...$generated, ...$kind === KindId::Text ? ['text: pat*tern'] : []], array_values(array_diff($left, ['0: 1', '0: 2'])));
    }

    /** @param array<string, mixed> $data */
    #[DataProvider('kinds')]
    public function test_each_place_that_a_kind_names_is_there(KindId $kind, array $data): void
    {
        $sorts = array_unique(array_map(static fn (QuestionText $text): string => $text->sort->value, QuestionTexts::of($data)));
        $named = array_unique(array_map(static fn ($sort): string => $sort->value, array_values($kind->facts()->texts)));

        self::assertSame([], array_diff($named, $sorts));
        self::assertSame([], array_diff(['stem', 'hint', 'feedback', 'instruction'], $sorts), 'and what every question can have');
    }

    /** @param array<string, mixed> $data */
    #[DataProvider('kinds')]
    public function test_each_text_is_found_by_all_that_goes_through_texts(KindId $kind, array $data): void
    {
        $count = count(QuestionTexts::of($data));
        for ($n = 0; $n < $count; ++$n) {
            $with = static function (string $put) use ($data, $n): array {
                $i = 0;

                return QuestionTexts::replaced($data, static function (string $text) use (&$i, $n, $put): string {
                    return $i++ === $n ? $text . $put : $text;
                });
            };
            $at = QuestionTexts::of($data)[$n]->sort->value . ' at ' . QuestionTexts::of($data)[$n]->where;

            [$replaced, $times] = Replacement::of(Fields::of(['find' => 'quetzal', 'with' => 'wren']))->in($with(' quetzal'));
            self::assertSame([1, $with(' wren')], [$times, $replaced], "replaced: $at");

            $mentions = new Mentions();
            $mentions->inQuestion($with(' ![a bee](bee.png) [more](page:more)'));
            self::assertSame([true, ['more']], [in_array('bee.png', $mentions->files(), true), $mentions->pages()], "mentioned: $at");

            self::assertNotNull(TextWork::problemIn($with(' $' . str_repeat('{', 50) . str_repeat('}', 50) . '$')), "too much to show: $at");

            self::assertContains('NoDescription', self::flaws($with(' ![](bee.png)')), "proofread: $at");
        }
    }

    /**
     * @param array<string, mixed> $data
     *
     * @return list<string>
     */
    private static function flaws(array $data): array
    {
        $question = Question::fromData(Fields::of($data), null, [], verified: true);

        return array_map(static fn (Flaw $flaw): string => $flaw->rule->name, (new Proofreader())->read($question, $question->effective(null)));
    }
}
