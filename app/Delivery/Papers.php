<?php

declare(strict_types=1);

namespace Zetema\App\Delivery;

use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use Zetema\App\Bank\Question\Revision;
use Zetema\App\Blueprint\StoredStock;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Drawing\Chance;
use Zetema\Core\Drawing\ChoiceOrder;
use Zetema\Core\Drawing\Dealer;
use Zetema\Core\Drawing\DealingPlan;
use Zetema\Core\Drawing\Draw;
use Zetema\Core\Question\Settings\BankSettings;
use Zetema\Core\Question\Settings\Setting;
use Zetema\Core\Sitting as Core;

/** Deals papers, and puts a stored sitting together again: its paper from its form, its state from its events. */
final readonly class Papers
{
    public function __construct(private EntityManagerInterface $em, private Connection $db)
    {
    }

    /**
     * @return list<array{revision: int, choices: list<int>, points: string|null}>
     */
    public function deal(DealingPlan $plan, BankSettings $bank, StoredStock $stock, int $seed): array
    {
        $form = (new Dealer($plan, $stock))->deal($seed);
        $revisions = $stock->revisions($form->ids());
        $this->em->getRepository(Revision::class)->findBy(['id' => array_values($revisions)]);
        $chance = new Chance($seed ^ 0x5EED);
        $dealt = [];
        foreach ($form->questions as $item) {
            $revision = $this->revision($revisions[$item['id']]);
            $question = $revision->question();
            $step = $plan->steps[$item['step'] - 1];
            $dealt[] = [
                'revision' => $revision->id,
                'choices' => ChoiceOrder::of($question, $question->effective($bank)->isYes(Setting::Shuffle), $chance),
                'points' => $step instanceof Draw && $step->points !== null && $revision->isGraded() ? (string) $step->points : null,
            ];
        }

        return $dealt === [] ? throw new Malformed('plan', 'asks for no question yet; type a number on the quota board') : $dealt;
    }

    /** What stands now, before anything the clock may bring about. */
    public function replay(Sitting $sitting): Core\Sitting
    {
        $paper = $this->paper($sitting);

        return Core\Sitting::replay($paper, $this->events($sitting, $paper));
    }

    public function paper(Sitting $sitting): Core\Paper
    {
        $sheets = [];
        $bank = $sitting->edition?->bankSettings() ?? $sitting->blueprint->bank->settings();
        $this->em->getRepository(Revision::class)->findBy(['id' => array_column($sitting->form, 'revision')]);
        foreach ($sitting->form as $item) {
            $sheets[] = new Core\Sheet($this->revision($item['revision'])->question(), $item['choices'], $item['points'], $bank);
        }
        $plan = $sitting->edition?->plan() ?? $sitting->blueprint->plan();
        $rules = $sitting->edition?->rules() ?? $sitting->blueprint->rules();

        return new Core\Paper($sheets === [] ? throw new \LogicException('a form has questions') : $sheets, $rules, $plan->pass);
    }

    /** @return \Generator<int, Core\Event> */
    private function events(Sitting $sitting, Core\Paper $paper): \Generator
    {
        $rows = $this->db->fetchAllAssociative('SELECT type, at, sheet, response FROM sitting_event WHERE sitting_id = ? ORDER BY number', [$sitting->id]);
        foreach ($rows as $row) {
            $sheet = $paper->sheets[(is_numeric($row['sheet']) ? (int) $row['sheet'] : 0) - 1] ?? null;
            $stored = is_string($row['response']) ? json_decode($row['response'], true) : null;
            yield new Core\Event(
                Core\EventType::from(is_string($row['type']) ? $row['type'] : ''),
                is_numeric($row['at']) ? (int) $row['at'] : 0,
                is_numeric($row['sheet']) ? (int) $row['sheet'] : null,
                $stored === null ? null : $sheet?->stored($stored),
            );
        }
    }

    private function revision(int $id): Revision
    {
        return $this->em->find(Revision::class, $id) ?? throw new \LogicException('a dealt revision is stored');
    }
}
