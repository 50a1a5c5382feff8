<?php

declare(strict_types=1);

namespace Zetema\App\Bank;

use Doctrine\ORM\EntityManagerInterface;
use Zetema\App\Bank\Page\Page;
use Zetema\App\Bank\Question\Question;
use Zetema\App\Bank\Question\Revisions;
use Zetema\Core\Exchange\TextFormat;

/** A bank in the text format, written piece by piece: however large it is, little of it is in memory. */
final readonly class BankText
{
    private const PIECE = 100;

    public function __construct(private EntityManagerInterface $em)
    {
    }

    /**
     * @param list<int>|null $only questions by their ids; null: all
     *
     * @return \Generator<int, string> its settings, its pages and every question that is whole; the others as comments
     */
    public function pieces(Bank $bank, ?array $only = null): \Generator
    {
        $writer = new TextFormat\Writer();
        yield $writer->bank($bank->name()) . $writer->bankSettings($bank->own());
        foreach ($this->em->getRepository(Page::class)->findBy(['bank' => $bank], ['name' => 'ASC']) as $page) {
            yield $writer->page(new TextFormat\Page($page->name(), $page->heading(), $page->reads()));
        }
        foreach (array_chunk($only === null ? $this->order($bank) : array_values(array_intersect($this->order($bank), $only)), self::PIECE) as $ids) {
            $piece = '';
            $questions = $this->em->createQuery('SELECT q, n FROM ' . Question::class . ' q LEFT JOIN q.newest n WHERE q.id IN (:ids)')->setParameter('ids', $ids)->getResult();
            $byId = [];
            foreach (is_array($questions) ? $questions : [] as $question) {
                if ($question instanceof Question) {
                    $byId[$question->id] = $question;
                }
            }
            foreach ($ids as $id) {
                $piece .= isset($byId[$id]) ? self::text($writer, $byId[$id]) : '';
            }
            $this->em->clear();
            yield $piece;
        }
    }

    /** @return list<int> by objective, each objective's questions as they were put in order, or made */
    private function order(Bank $bank): array
    {
        $ids = $this->em->getConnection()->fetchFirstColumn('SELECT q.id FROM question q LEFT JOIN objective o ON o.id = q.objective_id WHERE q.bank_id = ? ORDER BY o.place IS NULL, o.place, q.place, q.id', [$bank->id]);

        return array_map(static fn (mixed $id): int => is_numeric($id) ? (int) $id : 0, $ids);
    }

    private static function text(TextFormat\Writer $writer, Question $question): string
    {
        $revision = $question->newest();

        return $revision->isWhole() ? $writer->question($revision->question()) : "\n-- " . implode("\n-- ", explode("\n", implode("\n", Revisions::text($revision)))) . "\n";
    }
}
