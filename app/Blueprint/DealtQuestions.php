<?php

declare(strict_types=1);

namespace Zetema\App\Blueprint;

use Doctrine\ORM\EntityManagerInterface;
use Zetema\App\Bank\Out\Selection;
use Zetema\App\Bank\Question\Revision;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Drawing\Stock\EligibleQuestion;
use Zetema\Core\Marking\Plan\MarkingPlan;
use Zetema\Core\Question\Question;
use Zetema\Core\Question\Settings\BankSettings;

/** All questions that a blueprint can deal, one by one: for what needs more of them than how many there are. */
final readonly class DealtQuestions
{
    public function __construct(private EntityManagerInterface $em, private BankStock $stock)
    {
    }

    /**
     * All of them, as they are dealt, to go out.
     *
     * @throws NotCleared if some may not be dealt
     */
    public function selection(Blueprint $blueprint): Selection
    {
        $stock = $this->stock->of($blueprint->bank);

        return new Selection(array_values($stock->held($stock->dealer($blueprint->plan())->held())), asDealt: true);
    }

    /**
     * @return array{array<string, array{Question, BankSettings|null}>, list<EligibleQuestion>} by what is stored for them
     *
     * @throws Malformed|NotCleared if there are too many, or some that may not be dealt
     */
    public function of(Blueprint $blueprint, int $most): array
    {
        $bank = $blueprint->bank;
        $plan = $blueprint->plan();
        $stock = $this->stock->of($bank);
        $held = array_keys($stock->held($stock->dealer($plan)->held()));
        if (count($held) > $most) {
            throw new Malformed(
                'questions',
                sprintf(
                    'are %s, more than the %s that can be looked at one by one; narrow its pools first',
                    number_format(count($held)),
                    number_format($most),
                ),
            );
        }
        $pools = $stock->pools($plan->pools());
        $questions = $eligible = [];
        foreach ($this->em->getRepository(Revision::class)->findBy(['id' => $held], ['id' => 'ASC']) as $revision) {
            $number = $revision->question->id;
            $question = $revision->question();
            $questions["q$number"] = [$question, $bank->settings()];
            $in = array_keys(array_filter($pools, static fn (array $ids): bool => in_array($number, $ids, true)));
            $eligible[] = new EligibleQuestion(
                "q$number",
                $question->kind::id()->value,
                $question->objective,
                $question->tags,
                $question->difficulty?->value,
                MarkingPlan::of($question, $question->effective($bank->settings()))->max(),
                $in,
            );
        }

        return [$questions, $eligible];
    }
}
