<?php

declare(strict_types=1);

namespace Zetema\App\Blueprint;

use Doctrine\ORM\Mapping as ORM;

/**
 * How many revisions of a bank are dealt that dealing cannot tell apart. The database keeps it with every change of a revision (triggers
 * of the migration that made this table), so that a plan is proved without going through the bank.
 */
#[ORM\Entity]
#[ORM\Table(name: 'dealt_count')]
class DealtCount
{
    /**
     * @param string $objectivePath empty: none
     * @param string $difficulty empty: none said
     */
    public function __construct(
        #[ORM\Id, ORM\Column]
        public readonly int $bankId,
        #[ORM\Id, ORM\Column(length: 500)]
        public readonly string $objectivePath,
        #[ORM\Id, ORM\Column(length: 20)]
        public readonly string $kind,
        #[ORM\Id, ORM\Column(length: 20)]
        public readonly string $difficulty,
        #[ORM\Id, ORM\Column(length: 20)]
        public readonly string $worth,
        #[ORM\Column]
        public readonly int $questions,
    ) {
    }
}
