<?php

declare(strict_types=1);

namespace Zetema\App\Blueprint\Naming;

use Doctrine\ORM\EntityManagerInterface;
use Zetema\App\Bank\Bank;
use Zetema\App\Bank\Question\Undoable\NamesQuestions;
use Zetema\App\Blueprint\Blueprint;
use Zetema\App\Shared\Conflict;
use Zetema\Core\Blueprint\Reading\NamedQuestions;

/** Blueprints that fix a question, or name it in a pool or a condition. */
final readonly class QuestionNames implements NamesQuestions
{
    public function __construct(private EntityManagerInterface $em, private WrittenPlans $written)
    {
    }

    public function replace(Bank $bank, int $other, int $keep): array
    {
        foreach ($this->em->getRepository(Blueprint::class)->findBy(['bank' => $bank]) as $blueprint) {
            if (array_diff(["q$other", "q$keep"], $blueprint->plan()->fixed()) === []) {
                throw new Conflict(sprintf('“%s” asks both. Take one of them out of its running order first.', $blueprint->title()));
            }
        }

        return $this->written->rewrite(
            $bank,
            WrittenPlans::PLANS,
            static fn (mixed $data): mixed => NamedQuestions::called(
                $data,
                static fn (string $id): string => $id === "q$other" ? "q$keep" : $id,
            ),
        );
    }

    public function putBack(array $changed): void
    {
        $this->written->putBack($changed);
    }
}
