<?php

declare(strict_types=1);

namespace Zetema\Tests\Core\Blueprint;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Zetema\Core\Blueprint\Reading\KnownParts;

/** What is left of a blueprint where some of its questions are not there. */
final class KnownPartsTest extends TestCase
{
    /** @return iterable<string, array{mixed, mixed, int}> document, what is left of it, how many are missing; a and b are there */
    public static function documents(): iterable
    {
        $of = static fn (array ...$steps): array => ['title' => 'T', 'sections' => [['id' => 's', 'steps' => $steps]]];
        $draw = static fn (int $take, array $only): array => ['id' => 'd', 'draw' => ['take' => $take, 'pool' => ['only' => $only]]];
        $a = ['id' => 'q1', 'question' => 'a'];
        yield 'all there' => [$of($a, $draw(1, ['a', 'b'])), $of($a, $draw(1, ['a', 'b'])), 0];
        yield 'a fixed one is left out' => [$of($a, ['id' => 'q2', 'question' => 'x']), $of($a), 1];
        yield 'a draw takes from what is left' => [$of($draw(2, ['a', 'x', 'b'])), $of($draw(2, ['a', 'b'])), 1];
        yield 'and no more than that' => [$of($draw(3, ['a', 'x', 'y'])), $of($draw(1, ['a'])), 2];
        yield 'a draw of nothing is left out' => [$of($a, $draw(1, ['x', 'y'])), $of($a), 2];
        yield 'a section of nothing is left out' => [
            ['title' => 'T', 'sections' => [['id' => 's', 'steps' => [['id' => 'q', 'question' => 'x']]], ['id' => 't', 'steps' => [$a]]]],
            ['title' => 'T', 'sections' => [['id' => 't', 'steps' => [$a]]]],
            1,
        ];
        yield 'a pool by condition is nobody’s list' => [$of(['id' => 'd', 'draw' => ['take' => 1, 'pool' => ['kinds' => ['one']]]]), $of(['id' => 'd', 'draw' => ['take' => 1, 'pool' => ['kinds' => ['one']]]]), 0];
        yield 'pages and checkpoints stay' => [$of(['id' => 'p', 'page' => 'x'], ['id' => 'c', 'checkpoint' => []]), $of(['id' => 'p', 'page' => 'x'], ['id' => 'c', 'checkpoint' => []]), 0];
        yield 'what is no document stays as it is' => ['riddle', 'riddle', 0];
        yield 'steps that are none stay, to be refused' => [$of(['id' => 'q', 'question' => 7], ['draw' => ['pool' => ['only' => 'a']]]), $of(['id' => 'q', 'question' => 7], ['draw' => ['pool' => ['only' => 'a']]]), 0];
    }

    #[DataProvider('documents')]
    public function test_what_is_not_there_is_left_out_and_counted(mixed $document, mixed $left, int $missing): void
    {
        $known = new KnownParts(static fn (string $name): bool => in_array($name, ['a', 'b'], true));
        self::assertSame([$left, $missing], [$known->of($document), $known->missing]);
    }
}
