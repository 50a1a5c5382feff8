<?php

declare(strict_types=1);

namespace Zetema\Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Objective\ObjectiveNode;
use Zetema\Core\Objective\ObjectiveTree;

final class ObjectiveTreeTest extends TestCase
{
    /** A1 and A2 below A, B1 and another A1 below B. */
    private static function tree(): ObjectiveTree
    {
        return new ObjectiveTree([
            new ObjectiveNode(1, null, 'A'),
            new ObjectiveNode(2, 1, 'A1', 'a.1', 'About A1.'),
            new ObjectiveNode(3, 1, 'A2'),
            new ObjectiveNode(4, null, 'B'),
            new ObjectiveNode(5, 4, 'B1'),
            new ObjectiveNode(6, 4, 'A1'),
            new ObjectiveNode(7, 6, 'Deep'),
            new ObjectiveNode(8, 2, 'Deep'),
        ]);
    }

    /** @return iterable<string, array{callable(ObjectiveTree): (ObjectiveTree|array{ObjectiveTree, array<int, int|null>}), list<string>, 2?: array<int, int|null>}> change, paths in order, where what went belongs */
    public static function changes(): iterable
    {
        yield 'as it is' => [static fn (ObjectiveTree $t) => $t, ['A', 'A > A1', 'A > A1 > Deep', 'A > A2', 'B', 'B > B1', 'B > A1', 'B > A1 > Deep']];
        yield 'added last below' => [static fn (ObjectiveTree $t) => $t->add(9, 1, '  New   one '), ['A', 'A > A1', 'A > A1 > Deep', 'A > A2', 'A > New one', 'B', 'B > B1', 'B > A1', 'B > A1 > Deep']];
        yield 'a whole path, of which the beginning is there' => [
            static fn (ObjectiveTree $t) => $t->add(9, null, 'B > B1>New > Newer'),
            ['A', 'A > A1', 'A > A1 > Deep', 'A > A2', 'B', 'B > B1', 'B > B1 > New', 'B > B1 > New > Newer', 'B > A1', 'B > A1 > Deep'],
        ];
        yield 'a path that is all new, below another' => [
            static fn (ObjectiveTree $t) => $t->add(9, 3, 'Knots > Bends > Sheet'),
            ['A', 'A > A1', 'A > A1 > Deep', 'A > A2', 'A > A2 > Knots', 'A > A2 > Knots > Bends', 'A > A2 > Knots > Bends > Sheet', 'B', 'B > B1', 'B > A1', 'B > A1 > Deep'],
        ];
        yield 'renamed, and all paths below it' => [static fn (ObjectiveTree $t) => $t->describe(6, 'C', 'c', ''), ['A', 'A > A1', 'A > A1 > Deep', 'A > A2', 'B', 'B > B1', 'B > C', 'B > C > Deep']];
        yield 'moved before a sibling' => [static fn (ObjectiveTree $t) => $t->move(3, 1, 2), ['A', 'A > A2', 'A > A1', 'A > A1 > Deep', 'B', 'B > B1', 'B > A1', 'B > A1 > Deep']];
        yield 'moved with all below it' => [static fn (ObjectiveTree $t) => $t->move(4, 3, null), ['A', 'A > A1', 'A > A1 > Deep', 'A > A2', 'A > A2 > B', 'A > A2 > B > B1', 'A > A2 > B > A1', 'A > A2 > B > A1 > Deep']];
        yield 'moved to the top' => [static fn (ObjectiveTree $t) => $t->move(2, null, 4), ['A', 'A > A2', 'A1', 'A1 > Deep', 'B', 'B > B1', 'B > A1', 'B > A1 > Deep']];
        yield 'merged: where names meet, all the way down' => [static fn (ObjectiveTree $t) => $t->merge(4, 1), ['A', 'A > A1', 'A > A1 > Deep', 'A > A2', 'A > B1'], [4 => 1, 6 => 2, 7 => 8]];
        yield 'merged into what lies above' => [static fn (ObjectiveTree $t) => $t->merge(2, 1), ['A', 'A > A2', 'A > Deep', 'B', 'B > B1', 'B > A1', 'B > A1 > Deep'], [2 => 1]];
        yield 'taken out: what it holds goes up' => [static fn (ObjectiveTree $t) => $t->remove(6), ['A', 'A > A1', 'A > A1 > Deep', 'A > A2', 'B', 'B > B1', 'B > Deep'], [6 => 4]];
        yield 'taken out at the top' => [static fn (ObjectiveTree $t) => $t->remove(5)[0]->merge(6, 4)[0]->merge(7, 4)[0]->remove(4), ['A', 'A > A1', 'A > A1 > Deep', 'A > A2'], [4 => null]];
    }

    /**
     * @param callable(ObjectiveTree): (ObjectiveTree|array{ObjectiveTree, array<int, int|null>}) $change
     * @param list<string> $paths
     * @param array<int, int|null> $went
     */
    #[DataProvider('changes')]
    public function test_a_change_gives_another_tree(callable $change, array $paths, array $went = []): void
    {
        $changed = $change(self::tree());
        [$tree, $belongs] = is_array($changed) ? $changed : [$changed, []];

        self::assertSame($paths, array_map($tree->path(...), array_keys($tree->nodes)));
        self::assertEquals($went, $belongs);
    }

    /** @return iterable<string, array{callable(ObjectiveTree): mixed, string}> */
    public static function refused(): iterable
    {
        yield 'a name that stands there already' => [static fn (ObjectiveTree $t) => $t->describe(3, 'A1', '', ''), 'name: “A1” stands there already; merge the two instead'];
        yield 'no name' => [static fn (ObjectiveTree $t) => $t->add(9, null, ' '), 'name: is empty'];
        yield 'a name that reads as a path' => [static fn (ObjectiveTree $t) => $t->describe(2, 'A > C', '', ''), 'name: cannot have “>”'];
        yield 'a path that is there' => [static fn (ObjectiveTree $t) => $t->add(9, null, 'A > A1'), 'name: “A1” stands there already'];
        yield 'a path with a gap' => [static fn (ObjectiveTree $t) => $t->add(9, null, 'A > > C'), 'name: is empty'];
        yield 'a name too long' => [static fn (ObjectiveTree $t) => $t->add(9, null, str_repeat('n', 161)), 'name: has more than 160 characters'];
        yield 'below itself' => [static fn (ObjectiveTree $t) => $t->move(4, 7, null), 'parent: “B” cannot lie below itself'];
        yield 'before one that stands elsewhere' => [static fn (ObjectiveTree $t) => $t->move(3, 4, 2), 'before: must stand below the same objective'];
        yield 'merged into itself' => [static fn (ObjectiveTree $t) => $t->merge(4, 4), 'into: must be another objective'];
        yield 'merged into what lies below it' => [static fn (ObjectiveTree $t) => $t->merge(4, 7), 'into: “Deep” lies below “B”'];
        yield 'the top taken out from over others' => [static fn (ObjectiveTree $t) => $t->remove(1), 'objective: “A” has others below it'];
        yield 'one that is gone' => [static fn (ObjectiveTree $t) => $t->move(99, null, null), 'objective: is no longer there'];
        yield 'a code too long' => [static fn (ObjectiveTree $t) => $t->describe(3, 'A2', str_repeat('c', 41), ''), 'code: has more than 40 characters'];
        yield 'too deep' => [
            static fn (ObjectiveTree $t) => array_reduce(range(9, 16), static fn (ObjectiveTree $tree, int $id): ObjectiveTree => $tree->add($id, $id === 9 ? 8 : $id - 1, 'x'), $t),
            'objective: “x” would lie too deep: 8 levels and 500 characters from the top',
        ];
    }

    /** @param callable(ObjectiveTree): mixed $change */
    #[DataProvider('refused')]
    public function test_what_cannot_be_is_refused_with_the_reason(callable $change, string $why): void
    {
        $this->expectException(Malformed::class);
        $this->expectExceptionMessage($why);

        $change(self::tree());
    }

    public function test_it_reads_back_as_it_was_written(): void
    {
        $again = new ObjectiveTree(array_map(static fn (array $node): ObjectiveNode => ObjectiveNode::fromData(Fields::of($node)), self::tree()->toData()));

        self::assertTrue($again->equals(self::tree()));
        self::assertSame(['a.1', 'About A1.'], [$again->node(2)->code, $again->node(2)->description]);
        self::assertFalse($again->equals(self::tree()->move(3, 1, 2)));
    }
}
