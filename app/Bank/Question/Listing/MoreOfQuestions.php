<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Question\Listing;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\DBAL\Connection;
use Zetema\App\Shared\Dialect\Dialects;
use Zetema\Core\Data\Fields;

/** What a list tells of its questions only when it is asked for: it stands with their revisions. */
final class MoreOfQuestions
{
    /**
     * @param list<array<string, mixed>> $questions a page of the list
     *
     * @return list<array<string, mixed>>
     */
    public static function with(Connection $db, array $questions): array
    {
        $rows = $db->executeQuery(
            'SELECT q.id, r.difficulty, r.saved_at, a.name, (SELECT ' .
                Dialects::of($db)->jsonList('t.tag') .
                ' FROM revision_tag t WHERE t.revision_id = r.id) AS tags
            FROM question q JOIN revision r ON r.id = q.newest_id JOIN account a ON a.id = r.author_id WHERE q.id IN (?)',
            [array_column($questions, 'id')],
            [ArrayParameterType::INTEGER],
        );
        $more = [];
        foreach ($rows->iterateAssociative() as $row) {
            $row = Fields::of($row);
            $more[$row->integer('id')] = [
                'difficulty' => $row->optionalText('difficulty'),
                'tags' => Fields::ofJson('{"tags":' . $row->text('tags') . '}')->texts('tags'),
                'savedAt' => (new \DateTimeImmutable($row->text('saved_at')))->format(\DATE_ATOM),
                'savedBy' => $row->text('name'),
            ];
        }

        return array_map(
            static fn (array $question): array => [...$question, 'more' => is_int($question['id']) ? $more[$question['id']] ?? null : null],
            $questions,
        );
    }
}
