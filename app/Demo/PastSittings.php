<?php

declare(strict_types=1);

namespace Zetema\App\Demo;

use Doctrine\ORM\EntityManagerInterface;
use Psr\Clock\ClockInterface;
use Zetema\App\Blueprint\Editions\Edition;
use Zetema\App\Blueprint\Stored\StoredStock;
use Zetema\App\Delivery\Invigilation;
use Zetema\App\Delivery\Papers;
use Zetema\App\Delivery\Sitting;
use Zetema\App\Delivery\Stored\SittingStore;
use Zetema\App\People\Account;
use Zetema\Core\Drawing\Chance;
use Zetema\Core\Numbers\Ratio;
use Zetema\Core\Question\Answers\Choice;
use Zetema\Core\Sitting\Act\Act;
use Zetema\Core\Sitting\Act\Given;
use Zetema\Core\Sitting\Act\GoOn;
use Zetema\Core\Sitting\Act\HandIn;
use Zetema\Core\Sitting\Act\Save;
use Zetema\Core\Sitting\Act\Start;
use Zetema\Core\Sitting\Paper\Paper;
use Zetema\Core\Sitting\Paper\Screen;
use Zetema\Core\Sitting\Run\Conduct;
use Zetema\Core\Sitting\Run\Terms;
use Zetema\Core\Sitting\State\At;
use Zetema\Core\Sitting\State\State;
use Zetema\Core\Time\Duration;
use Zetema\Core\Time\Instant;

/** Sittings of the past for the demo: candidates who know a given share of the answers, by the same rules as real ones. */
final readonly class PastSittings
{
    public function __construct(
        private EntityManagerInterface $em,
        private Papers $papers,
        private SittingStore $store,
        private ClockInterface $clock,
    ) {
    }

    /**
     * @param list<array{account: Account, ability: int<0, 100>, seed: int, daysAgo: int}> $candidates ability: percent of questions known
     */
    public function sit(Edition $edition, array $candidates): void
    {
        foreach ($candidates as ['account' => $account, 'ability' => $ability, 'seed' => $seed, 'daysAgo' => $daysAgo]) {
            $form = $this->papers->deal(
                $edition->assessment(),
                $edition->bankSettings(),
                StoredStock::ofEdition($this->em->getConnection(), $edition),
                $seed,
            );
            $sitting = new Sitting($account, $edition->blueprint, $edition, $seed, $form);
            $this->em->persist($sitting);
            $this->em->flush();
            $paper = $this->papers->paper($sitting);
            $conduct = new Conduct($paper, $terms = new Terms(Ratio::one()));
            $state = $conduct->begin();
            $from = Instant::of($this->clock->now())->minus(Duration::hours(24 * $daysAgo));
            foreach ($this->acts($paper, $state, $ability, new Chance($seed), $from) as $act) {
                $before = clone $state;
                $events = $conduct->take($state, $act)->events;
                $this->store->keep($sitting, $paper, $terms, $before, $state, $events, Invigilation::OWN . 'demo-' . $state->events);
            }
        }
    }

    /**
     * @param State $state as the acts before have left it
     *
     * @return \Generator<int, Act>
     */
    private function acts(Paper $paper, State $state, int $ability, Chance $chance, Instant $at): \Generator
    {
        yield new Start($at);
        while (!$state->position->isAt(At::End)) {
            $screen = $paper->nodes[$state->position->node] ?? null;
            foreach ($screen instanceof Screen ? $screen->questions() : [] as $place) {
                $at = $at->plus(Duration::seconds(20 + $chance->below(50)));
                $knows = $chance->below(100) < $ability;
                $fitting = array_values(
                    array_filter($place->question->kind->choices(), static fn (Choice $c): bool => $c->isKey === $knows),
                );
                yield new Save(
                    $at,
                    $place->name,
                    Given::read($place, ['choose' => [$fitting[$chance->below(min(99, max(1, count($fitting))))]->id]]),
                );
            }
            yield new GoOn($at = $at->plus(Duration::seconds(1)));
        }
        yield new HandIn($at->plus(Duration::seconds(9)));
    }
}
