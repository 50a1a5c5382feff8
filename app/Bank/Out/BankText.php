<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Out;

use Doctrine\ORM\EntityManagerInterface;
use Zetema\App\Bank\Bank;
use Zetema\App\Bank\Page\Page;
use Zetema\App\Bank\Question\Question;
use Zetema\App\Bank\Question\Revisions;
use Zetema\Core\Exchange\TextFormat;

/** A bank in the text format, written piece by piece: however large it is, little of it is in memory. */
final readonly class BankText
{
    public function __construct(private EntityManagerInterface $em, private QuestionsInOrder $questions)
    {
    }

    /**
     * @return \Generator<int, string> its settings, its pages and every question that is whole; the others as comments
     */
    public function pieces(Bank $bank, Selection $selection = new Selection()): \Generator
    {
        $writer = new TextFormat\Writer();
        yield $writer->bank($bank->name()) . $writer->bankSettings($bank->own());
        foreach ($this->em->getRepository(Page::class)->findBy(['bank' => $bank], ['name' => 'ASC']) as $page) {
            yield $writer->page(new TextFormat\Page($page->name(), $page->heading(), $page->reads()));
        }
        foreach ($this->questions->of($bank, $selection->questions) as $questions) {
            yield implode('', array_map(static fn (Question $question): string => self::text($writer, $question, $selection), $questions));
        }
    }

    private static function text(TextFormat\Writer $writer, Question $question, Selection $selection): string
    {
        $whole = $selection->question($question);

        return $whole !== null
            ? $writer->question($whole)
            : "\n-- " . implode("\n-- ", explode("\n", implode("\n", Revisions::text($question->newest())))) . "\n";
    }
}
