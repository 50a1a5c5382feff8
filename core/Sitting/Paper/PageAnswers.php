<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\Paper;

use Zetema\Core\Data\Malformed;
use Zetema\Core\Drawing\ChoiceOrder;
use Zetema\Core\Question\Response\Response;
use Zetema\Core\Sitting\PageOrder;

/** The answers of a question as they stand on one candidate's page, which names them by their place there. */
final readonly class PageAnswers
{
    private PageOrder $page;
    /** @var list<list<int>> */
    private array $lists;

    /** @param list<int> $order of its lists, one after the other, as ChoiceOrder deals it */
    public function __construct(private QuestionPlace $place, array $order)
    {
        $this->lists = ChoiceOrder::lists($place->question, $order);
        $this->page = new PageOrder($place->question->kind, $this->lists);
    }

    /** @return array<string, mixed> what the page is told of the answers, before or after one was checked and told */
    public function shown(bool $checked): array
    {
        return $this->place->question->kind->shownToCandidate($this->lists, $this->place->settings, $checked);
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

    /** @return array<string, mixed>|null */
    public function toPage(Response $response): ?array
    {
        return $this->page->toPlaces($response);
    }
}
