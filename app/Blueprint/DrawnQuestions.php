<?php

declare(strict_types=1);

namespace Zetema\App\Blueprint;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\DBAL\Connection;
use Zetema\App\Bank\Question\Revision;
use Zetema\App\Blueprint\Stored\StoredStock;
use Zetema\Core\Data\Fields;
use Zetema\Core\Drawing\Stock\QuestionClass;
use Zetema\Core\Question\Question;

/**
 * The questions that draws may take, one by one, as long as they are few: while one types, a hundred of them can be read, a hundred
 * thousand cannot.
 */
final readonly class DrawnQuestions
{
    private const MOST = 300;

    public function __construct(private Connection $db)
    {
    }

    /**
     * @param list<QuestionClass> $classes
     *
     * @return list<Question>|null null: they are too many
     */
    public function of(StoredStock $stock, array $classes): ?array
    {
        if (array_sum(array_map(static fn (QuestionClass $class): int => $class->count, $classes)) > self::MOST) {
            return null;
        }
        $contents = $this->db->fetchFirstColumn(
            'SELECT content FROM revision WHERE id IN (?)',
            [array_keys($stock->held($classes))],
            [ArrayParameterType::INTEGER],
        );

        return array_map(
            static fn (mixed $content): Question => Revision::dealt(Fields::ofJson(is_string($content) ? $content : ''), null),
            $contents,
        );
    }
}
