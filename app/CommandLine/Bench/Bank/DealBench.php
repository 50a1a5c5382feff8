<?php

declare(strict_types=1);

namespace Zetema\App\CommandLine\Bench\Bank;

use Symfony\Component\Console\Output\OutputInterface;
use Zetema\App\CommandLine\Files\QuestionFiles;
use Zetema\Core\Drawing\Chance;
use Zetema\Core\Drawing\Dealer;
use Zetema\Core\Drawing\DealingPlan;
use Zetema\Core\Drawing\Draw;
use Zetema\Core\Drawing\Stock\EligibleQuestion;
use Zetema\Core\Drawing\Stock\ListedStock;
use Zetema\Core\Drawing\Stock\Pool;
use Zetema\Core\Question\Points;

/**
 * Forms dealt from 5,000 questions, each of another seed: disjoint draws, ten and fifty overlapping ones, beside picking 40 of 5,000 with
 * nothing to heed.
 */
final readonly class DealBench
{
    private const QUESTIONS = 5_000;

    public function run(OutputInterface $output): int
    {
        $stock = new ListedStock($this->questions());
        $disjoint = array_map(static fn (int $o): Draw => new Draw(2, new Pool(["Objective $o"])), range(0, 19));
        $ten = array_map(static fn (int $t): Draw => new Draw(4, new Pool(tags: ["tag $t"])), range(0, 9));
        $fifty = array_map(static fn (int $t): Draw => new Draw(1, new Pool(tags: ["tag $t"])), range(0, 49));
        $tight = array_map(static fn (int $t): Draw => new Draw(90, new Pool(tags: ["tag $t"])), range(0, 49));
        QuestionFiles::print($output, [
            'questions' => self::QUESTIONS,
            'floor' => $this->floor(10_000),
            '40 by 20 disjoint draws' => $this->deal($disjoint, $stock, 10_000),
            '40 by 10 overlapping draws' => $this->deal($ten, $stock, 10_000),
            '50 by 50 overlapping draws' => $this->deal($fifty, $stock, 1_000),
            '4,500 by 50 overlapping draws' => $this->deal($tight, $stock, 20),
        ]);

        return 0;
    }

    /** @return list<EligibleQuestion> spread by a seed, each with about twelve of fifty tags */
    private function questions(): array
    {
        $chance = new Chance(2026);
        $questions = [];
        for ($i = 0; $i < self::QUESTIONS; ++$i) {
            $tags = array_values(
                array_filter(array_map(static fn (int $t): string => "tag $t", range(0, 49)), static fn (): bool => $chance->below(4) === 0),
            );
            $questions[] = new EligibleQuestion(
                "q$i",
                $i % 3 === 0 ? 'claim' : 'one',
                ['Objective ' . $i % 20],
                $tags,
                null,
                Points::of((string) (1 + ($i % 3))),
            );
        }

        return $questions;
    }

    /**
     * @param list<Draw> $draws
     *
     * @return array{forms: int, preparing: string, seconds: string, millisecondsAForm: string}
     */
    private function deal(array $draws, ListedStock $stock, int $forms): array
    {
        $start = hrtime(true);
        $dealer = new Dealer(new DealingPlan($draws), $stock);
        $ready = hrtime(true);
        for ($seed = 1; $seed <= $forms; ++$seed) {
            $dealer->deal($seed);
        }
        $end = hrtime(true);

        return [
            'forms' => $forms,
            'preparing' => sprintf('%.0f ms', ($ready - $start) / 1e6),
            'seconds' => sprintf('%.2f', ($end - $ready) / 1e9),
            'millisecondsAForm' => sprintf('%.3f', ($end - $ready) / 1e6 / $forms),
        ];
    }

    /** @return array{forms: int, seconds: string} */
    private function floor(int $forms): array
    {
        $numbers = range(0, self::QUESTIONS - 1);
        $start = hrtime(true);
        for ($seed = 1; $seed <= $forms; ++$seed) {
            (new Chance($seed))->sample($numbers, 40);
        }

        return ['forms' => $forms, 'seconds' => sprintf('%.2f', (hrtime(true) - $start) / 1e9)];
    }
}
