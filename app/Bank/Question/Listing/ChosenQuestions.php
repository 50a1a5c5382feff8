<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Question\Listing;

use Zetema\App\Bank\Bank;
use Zetema\App\People\Account;
use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Malformed;

/** The questions that were chosen in a list. */
final readonly class ChosenQuestions
{
    private const MOST = 20_000;

    public function __construct(private QuestionList $list)
    {
    }

    /**
     * @param Fields $body {ids} or {filter, without}: some by their ids, or all that fit a filter but some
     *
     * @return non-empty-list<int>
     *
     * @throws Malformed if there are none, or too many
     */
    public function ids(Bank $bank, Fields $body, Account $account): array
    {
        $filter = $body->optionalObject('filter');
        $ids = array_values(
            array_unique(
                $filter === null
                    ? $body->integers('ids')
                    : array_diff(
                        $this->list->ids($bank, QuestionFilter::of($filter, $account)),
                        $body->integers('without', optional: true),
                    ),
            ),
        );

        return $ids !== [] && count($ids) <= self::MOST
            ? $ids
            : throw new Malformed(
                'ids',
                $ids === []
                    ? 'no question is chosen'
                    : sprintf('up to %d questions are changed in one go; %d are chosen', self::MOST, count($ids)),
            );
    }
}
