<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Objective;

use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use Zetema\App\Bank\Bank;
use Zetema\App\Bank\History\BankChange;
use Zetema\App\Bank\History\BankHistory;
use Zetema\App\Bank\History\Undoing;
use Zetema\App\People\Account;
use Zetema\App\Shared\Conflict;
use Zetema\App\Shared\Saving;
use Zetema\App\Shared\Stale;
use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Objective\ObjectiveNode;
use Zetema\Core\Objective\ObjectiveTree;

/** Changes of a bank's objectives, each one step in the bank's history that can be undone. No question is ever lost by one. */
final readonly class ObjectiveEditing implements Undoing
{
    public function __construct(
        private EntityManagerInterface $em,
        private Connection $db,
        private Saving $saving,
        private StoredTree $stored,
        private Objectives $objectives,
        private BankHistory $history,
    ) {
    }

    public static function kind(): string
    {
        return 'objectives';
    }

    /**
     * @param Fields $body {do: add | describe | move | merge | remove, ...}
     *
     * @throws Malformed if the tree cannot be changed so
     * @throws Stale
     */
    public function change(Bank $bank, Fields $body, Account $account): BankChange
    {
        return $this->saving->make(function () use ($bank, $body, $account): BankChange {
            $before = $this->stored->of($bank);
            $this->refuseStale($bank, $body);
            [$after, $went, $words] = $this->changed($before, $body);
            if ($after->equals($before)) {
                throw new Malformed('do', 'changes nothing');
            }
            $stood = $this->stored->become($bank, $before, $after, $went);
            $this->em->clear();

            return $this->history->record($bank, $account, self::kind(), $words, [
                'before' => $before->toData(),
                'after' => $after->toData(),
                ...$stood,
            ]);
        });
    }

    /** @throws Stale if somebody else described it since it was opened */
    private function refuseStale(Bank $bank, Fields $body): void
    {
        if ($body->text('do') !== 'describe') {
            return;
        }
        $id = $body->integer('id');
        $seen = $body->integer('version');
        foreach ($this->objectives->told($bank) as $objective) {
            if ($objective['id'] === $id && $objective['version'] !== $seen) {
                throw new Stale(
                    sprintf('“%s” was described in another window or by someone else since you opened it.', $objective['name']),
                    $objective,
                );
            }
        }
    }

    public function undo(BankChange $change, Account $account): void
    {
        $undo = Fields::of($change->undo);
        [$before, $after] = array_map(
            static fn (string $which): ObjectiveTree => new ObjectiveTree(array_map(ObjectiveNode::fromData(...), $undo->objects($which))),
            ['before', 'after'],
        );
        $now = $this->stored->of($change->bank);
        if (!$now->equals($after)) {
            throw new Conflict('The objectives were changed again since. Undo the later changes first, newest first.');
        }
        foreach (array_diff_key($after->nodes, $before->nodes) as $node) {
            if ($this->db->fetchOne('SELECT 1 FROM question WHERE objective_id = ? LIMIT 1', [$node->id]) !== false) {
                throw new Conflict(sprintf('“%s” has questions by now. Move them first, or merge it into another.', $node->name));
            }
        }
        $this->stored->goBack($change->bank, $now, $before, $undo);
    }

    /**
     * @return array{ObjectiveTree, array<int, int|null>, string} the tree, where questions of those that go belong, and what is done, in
     *   words
     */
    private function changed(ObjectiveTree $tree, Fields $body): array
    {
        $do = $body->text('do');
        $id = $do === 'add' ? 0 : $body->integer('id');
        $name = $do === 'add' ? '' : $tree->node($id)->name;

        return match ($do) {
            'add' => [
                $tree->add($this->stored->nextId(), $body->optionalInteger('parent'), $body->text('name')),
                [],
                sprintf(
                    'added the objective “%s”',
                    implode(ObjectiveTree::SEPARATOR, array_map(trim(...), explode('>', $body->text('name')))),
                ),
            ],
            'describe' => [
                $new = $tree->describe($id, $body->text('name'), $body->text('code', ''), $body->text('description', '')),
                [],
                self::described($name, $new->node($id)->name),
            ],
            'move' => [
                $tree->move($id, $body->optionalInteger('parent'), $body->optionalInteger('before')),
                [],
                sprintf('moved the objective “%s”', $name),
            ],
            'merge' => [
                ...$tree->merge($id, $body->integer('into')),
                sprintf('merged the objective “%s” into “%s”', $name, $tree->node($body->integer('into'))->name),
            ],
            'remove' => [...$tree->remove($id), sprintf('took out the objective “%s”', $name)],
            default => throw new Malformed('do', 'must be add, describe, move, merge or remove'),
        };
    }

    private static function described(string $before, string $after): string
    {
        return $before === $after
            ? sprintf('described the objective “%s”', $after)
            : sprintf('renamed the objective “%s” to “%s”', $before, $after);
    }
}
