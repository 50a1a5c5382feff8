<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\Paper;

use Zetema\Core\Data\Malformed;
use Zetema\Core\Drawing\ChoiceOrder;
use Zetema\Core\Question\Question;
use Zetema\Core\Question\Response\Response;
use Zetema\Core\Question\Settings\EffectiveSettings;

/** The answers of a question as they stand on one candidate's page, which names them by their place there. */
final readonly class PageAnswers
{
    private PageOrder $page;
    /** @var list<list<int>> */
    private array $lists;

    /** @param list<int> $order of its lists, one after the other, as ChoiceOrder deals it */
    public function __construct(private Question $question, private EffectiveSettings $settings, array $order)
    {
        $this->lists = ChoiceOrder::lists($question, $order);
        $this->page = new PageOrder($question->kind, $this->lists);
    }

    /** @return array<string, mixed> what the page is told of the answers, before or after one was checked and told */
    public function shown(bool $checked): array
    {
        return $this->question->kind->shownToCandidate($this->lists, $this->settings, $checked);
    }

    /**
     * A response as the page sends it, in the question's numbers.
     *
     * @throws Malformed for a place that is not there
     */
    public function toNumbers(mixed $given): mixed
    {
        return $this->page->toNumbers($given);
    }

    /**
     * The same, read. While it is being filled in, a response may still have fewer choices than demanded.
     *
     * @throws Malformed by field name, if the page could not have sent this
     */
    public function fromPage(mixed $given): Response
    {
        return $this->question->kind->response($this->toNumbers($given), $this->settings, complete: false);
    }

    /** @return array<string, mixed>|null */
    public function toPage(Response $response): ?array
    {
        return $this->page->toPlaces($response);
    }

    /** Where a choice stands on the page, from 1. */
    public function placeOf(int $choice): int
    {
        return $this->page->place(0, $choice);
    }

    /** Where a part stands on the page, from 1. */
    public function placeOfPart(int $part): int
    {
        return $this->page->placeOfPart($part);
    }
}
