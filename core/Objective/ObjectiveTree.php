<?php

declare(strict_types=1);

namespace Zetema\Core\Objective;

use Zetema\Core\Data\Malformed;

/**
 * The objectives of a bank, in their order. Each change gives another tree, or is refused: no two of one name stand side by side,
 * nothing comes to lie below itself, no path becomes too long.
 */
final readonly class ObjectiveTree
{
    public const SEPARATOR = ' > ';
    public const DEEPEST = 8;
    private const NAME = 160;
    private const PATH = 500;
    private const CODE = 40;
    private const DESCRIPTION = 2_000;

    /** @var array<int, ObjectiveNode> by id, each after what it lies below, siblings in their order */
    public array $nodes;

    /** @param iterable<ObjectiveNode> $nodes siblings in their order */
    public function __construct(iterable $nodes)
    {
        $below = [];
        foreach ($nodes as $node) {
            $below[$node->parent ?? 0][] = $node;
        }
        $ordered = [];
        $walk = static function (int $parent, string $path, int $depth) use (&$walk, &$ordered, $below): void {
            $names = [];
            foreach ($below[$parent] ?? [] as $node) {
                isset($names[$node->name]) &&
                    throw new Malformed('name', sprintf('“%s” stands there already; merge the two instead', $node->name));
                $names[$node->name] = true;
                $here = $path === '' ? $node->name : $path . self::SEPARATOR . $node->name;
                if (mb_strlen($here) > self::PATH || $depth > self::DEEPEST) {
                    throw new Malformed(
                        'objective',
                        sprintf(
                            '“%s” would lie too deep: %d levels and %d characters from the top are the most',
                            $node->name,
                            self::DEEPEST,
                            self::PATH,
                        ),
                    );
                }
                $ordered[$node->id] = $node;
                $walk($node->id, $here, $depth + 1);
            }
        };
        $walk(0, '', 1);
        $this->nodes = $ordered;
    }

    public function node(int $id): ObjectiveNode
    {
        return $this->nodes[$id] ?? throw new Malformed('objective', 'is no longer there; somebody took it out or merged it');
    }

    /** @return list<string> names from the top */
    public function names(int $id): array
    {
        $node = $this->node($id);

        return [...$node->parent === null ? [] : $this->names($node->parent), $node->name];
    }

    public function path(int $id): string
    {
        return implode(self::SEPARATOR, $this->names($id));
    }

    /**
     * Adds one below another; of a whole path ("Swarms > Catching") all that is not there yet.
     *
     * @param int $id of the new one; of several, of the first
     */
    public function add(int $id, ?int $parent, string $path): self
    {
        $names = array_map(self::name(...), explode('>', $path));
        $at = $parent === null ? null : $this->node($parent)->id;
        $last = array_pop($names);
        $made = [];
        foreach ($names as $name) {
            $known = $made === [] ? $this->below($at, $name) : null;
            $made = $known === null ? [...$made, new ObjectiveNode($id + count($made), $at, $name)] : [];
            $at = $known ?? $id + count($made) - 1;
        }

        return new self([...$this->nodes, ...$made, new ObjectiveNode($id + count($made), $at, $last)]);
    }

    /** The one of that name that lies right below another. */
    private function below(?int $parent, string $name): ?int
    {
        foreach ($this->nodes as $node) {
            if ($node->parent === $parent && $node->name === $name) {
                return $node->id;
            }
        }

        return null;
    }

    /** Gives a name, a code and a description. */
    public function describe(int $id, string $name, string $code, string $description): self
    {
        $code = trim($code);
        if (mb_strlen($code) > self::CODE || mb_strlen($description) > self::DESCRIPTION) {
            throw new Malformed(
                mb_strlen($code) > self::CODE ? 'code' : 'description',
                sprintf('has more than %d characters', mb_strlen($code) > self::CODE ? self::CODE : self::DESCRIPTION),
            );
        }

        return $this->with(new ObjectiveNode($id, $this->node($id)->parent, self::name($name), $code, trim($description)));
    }

    /**
     * Moves one with all that lies below it.
     *
     * @param int|null $parent what it will lie below
     * @param int|null $before the sibling that it will stand before; null: last
     */
    public function move(int $id, ?int $parent, ?int $before): self
    {
        for ($above = $parent; $above !== null; $above = $this->node($above)->parent) {
            $above !== $id || throw new Malformed('parent', sprintf('“%s” cannot lie below itself', $this->node($id)->name));
        }
        $moved = $this->node($id)->below($parent);
        if ($before !== null && ($before === $id || $this->node($before)->parent !== $parent)) {
            throw new Malformed('before', 'must stand below the same objective');
        }
        $nodes = [];
        foreach ($this->nodes as $node) {
            if ($node->id === $before) {
                $nodes[] = $moved;
            }
            if ($node->id !== $id) {
                $nodes[] = $node;
            }
        }

        return new self($before === null ? [...$nodes, $moved] : $nodes);
    }

    /**
     * Makes one of two: what the first holds goes to the second, and so does what lies below it; where names meet, they merge too.
     *
     * @return array{self, array<int, int>} the tree, and where the questions of those that went belong
     */
    public function merge(int $id, int $into): array
    {
        $id !== $into || throw new Malformed('into', 'must be another objective');
        for ($above = $this->node($into)->parent; $above !== null; $above = $this->node($above)->parent) {
            $above !== $id ||
                throw new Malformed(
                    'into',
                    sprintf('“%s” lies below “%s”; move it out first', $this->node($into)->name, $this->node($id)->name),
                );
        }
        [$nodes, $went] = $this->mergedInto($this->nodes, $id, $into);

        return [new self($nodes), $went];
    }

    /**
     * Takes one out; its questions and what lies below it go to what it lay below.
     *
     * @return array{self, array<int, int|null>} the tree, and where the questions of those that went belong; null: to no objective
     */
    public function remove(int $id): array
    {
        $parent = $this->node($id)->parent;
        if ($parent !== null) {
            return $this->merge($id, $parent);
        }
        $below = array_filter($this->nodes, static fn (ObjectiveNode $node): bool => $node->parent === $id);
        $below === [] ||
            throw new Malformed(
                'objective',
                sprintf('“%s” has others below it; move or merge them first, so that they keep a place', $this->node($id)->name),
            );
        $nodes = $this->nodes;
        unset($nodes[$id]);

        return [new self($nodes), [$id => null]];
    }

    public function equals(self $other): bool
    {
        return $this->toData() === $other->toData();
    }

    /** @return list<array{id: int, parent: int|null, name: string, code: string, description: string}> */
    public function toData(): array
    {
        return array_values(array_map(static fn (ObjectiveNode $node): array => $node->toData(), $this->nodes));
    }

    private function with(ObjectiveNode $changed): self
    {
        return new self(
            array_map(static fn (ObjectiveNode $node): ObjectiveNode => $node->id === $changed->id ? $changed : $node, $this->nodes),
        );
    }

    /**
     * @param array<int, ObjectiveNode> $nodes
     *
     * @return array{array<int, ObjectiveNode>, array<int, int>}
     */
    private function mergedInto(array $nodes, int $id, int $into): array
    {
        $went = [$id => $into];
        unset($nodes[$id]);
        foreach (array_filter($nodes, static fn (ObjectiveNode $node): bool => $node->parent === $id) as $child) {
            $same = array_filter(
                $nodes,
                static fn (ObjectiveNode $node): bool => $node->parent === $into &&
                    $node->id !== $child->id &&
                    $node->name === $child->name,
            );
            if ($same === []) {
                unset($nodes[$child->id]);
                $nodes[$child->id] = $child->below($into);
            } else {
                [$nodes, $more] = $this->mergedInto($nodes, $child->id, array_key_first($same));
                $went += $more;
            }
        }

        return [$nodes, $went];
    }

    private static function name(string $name): string
    {
        $name = trim((string) preg_replace('/\s+/u', ' ', $name));
        if ($name === '' || mb_strlen($name) > self::NAME) {
            throw new Malformed('name', $name === '' ? 'is empty' : sprintf('has more than %d characters', self::NAME));
        }

        return str_contains($name, '>')
            ? throw new Malformed('name', 'cannot have “>”, which stands between objectives in a path')
            : $name;
    }
}
