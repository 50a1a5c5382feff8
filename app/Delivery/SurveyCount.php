<?php

declare(strict_types=1);

namespace Zetema\App\Delivery;

use Doctrine\DBAL\Types\Types;
use Doctrine\ORM\Mapping as ORM;
use Zetema\App\Delivery\Stored\SittingStore;

/**
 * How often a response was given to a question that is not graded, in the ended sittings of an edition. It is what one would find by
 * counting the marks that stand; SittingStore counts when a sitting ends, and counts off when it is deleted.
 */
#[ORM\Entity]
#[ORM\Table(name: 'survey_count')]
class SurveyCount
{
    /**
     * @param string $hash of the response as JSON, by which equal ones are found; of one that is blank ''
     * @param string|null $response as JSON; null: blank
     * @param int $firstMark id of the mark that had it first
     */
    public function __construct(
        #[ORM\Id, ORM\Column]
        public readonly int $editionId,
        #[ORM\Id, ORM\Column]
        public readonly int $revisionId,
        #[ORM\Id, ORM\Column(length: 64)]
        public readonly string $hash,
        #[ORM\Column(type: Types::TEXT, nullable: true)]
        public readonly ?string $response,
        #[ORM\Column]
        public readonly int $given,
        #[ORM\Column]
        public readonly int $firstMark,
    ) {
    }

    public static function hash(?string $response): string
    {
        return $response === null ? '' : hash('sha256', $response);
    }
}
