<?php

declare(strict_types=1);

namespace Zetema\App\Demo;

use Doctrine\ORM\EntityManagerInterface;
use Psr\Clock\ClockInterface;
use Zetema\App\Blueprint\Edition;
use Zetema\App\Blueprint\StoredStock;
use Zetema\App\Delivery\Invigilation;
use Zetema\App\Delivery\Papers;
use Zetema\App\Delivery\Sitting;
use Zetema\App\Delivery\SittingEvent;
use Zetema\App\People\Account;
use Zetema\Core\Drawing\Chance;
use Zetema\Core\Question\Answers\Choice;
use Zetema\Core\Question\Response\Response;
use Zetema\Core\Sitting as Core;
use Zetema\Core\Sitting\Event;
use Zetema\Core\Sitting\EventType;

/** Sittings of the past for the demo: candidates who know a given share of the answers, by the same rules as real ones. */
final readonly class PastSittings
{
    public function __construct(private EntityManagerInterface $em, private Papers $papers, private ClockInterface $clock)
    {
    }

    /** @param list<array{account: Account, ability: int<0, 100>, seed: int, daysAgo: int}> $candidates ability: percent of questions known */
    public function sit(Edition $edition, array $candidates): void
    {
        foreach ($candidates as ['account' => $account, 'ability' => $ability, 'seed' => $seed, 'daysAgo' => $daysAgo]) {
            $form = $this->papers->deal($edition->plan(), $edition->bankSettings(), StoredStock::ofEdition($this->em->getConnection(), $edition), $seed);
            $sitting = new Sitting($account, $edition->blueprint, $edition, $seed, $form);
            $this->em->persist($sitting);
            $this->em->flush();
            $run = Core\Sitting::of($this->papers->paper($sitting));
            foreach ($this->events($run->paper, $ability, new Chance($seed), $this->clock->now()->getTimestamp() - 86_400 * $daysAgo) as $event) {
                $run = $run->with($run->accept($event));
                $this->em->persist(new SittingEvent($sitting, $run->events, Invigilation::OWN . 'demo-' . $run->events, $event));
            }
            $sitting->note($run);
            $this->em->flush();
        }
    }

    /**
     * @param int $from seconds since 1970
     *
     * @return \Generator<int, Event>
     */
    private function events(Core\Paper $paper, int $ability, Chance $chance, int $from): \Generator
    {
        $at = 1000 * $from;
        yield new Event(EventType::Started, $at);
        foreach ($paper->sheets as $i => $sheet) {
            $at += 1000 * (20 + $chance->below(50));
            $knows = $chance->below(100) < $ability;
            $fitting = array_values(array_filter($sheet->question->kind->choices(), static fn (Choice $c): bool => $c->isKey === $knows));
            yield new Event(EventType::Saved, $at, $i + 1, Response::choosing([$fitting[$chance->below(min(99, max(1, count($fitting))))]->id]));
        }
        yield new Event(EventType::HandedIn, $at + 9000);
    }
}
