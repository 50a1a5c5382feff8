<?php

declare(strict_types=1);

namespace Zetema\Tests\Core\Exchange;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Zetema\Core\Exchange\TextFormat\Reader;
use Zetema\Core\Exchange\TextFormat\Templates;
use Zetema\Core\Exchange\TextFormat\Vocabulary;
use Zetema\Core\Question\Kinds\KindId;

/** What is put in to be typed over is right before anything is typed, and every word that is offered is one of the format. */
final class TemplatesTest extends TestCase
{
    /** @return iterable<string, array{KindId}> */
    public static function kinds(): iterable
    {
        foreach (KindId::cases() as $kind) {
            yield $kind->value => [$kind];
        }
    }

    #[DataProvider('kinds')]
    public function test_a_template_is_a_whole_question_of_its_kind_with_something_to_type_over(KindId $kind): void
    {
        $template = Templates::of($kind);
        $read = iterator_to_array((new Reader())->questions(str_replace(['{', '}'], '', $template)), false);
        self::assertSame([1, []], [count($read), $read[0]->problems], $template);
        self::assertSame($kind, $read[0]->question?->kind::id());
        self::assertGreaterThan(0, substr_count($template, '{'));
        self::assertSame(substr_count($template, '{'), substr_count($template, '}'));
        self::assertCount($kind->facts()->isJudged ? 1 : 0, $read[0]->question->hints ?? [], 'with a hint where there is something to help with');
    }

    public function test_every_word_that_is_offered_is_one_of_the_format(): void
    {
        $vocabulary = new Vocabulary();
        self::assertContains('wrong part costs', $vocabulary->heads());
        foreach ($vocabulary->heads() as $head) {
            self::assertIsArray($vocabulary->classify($head), $head);
        }
    }
}
