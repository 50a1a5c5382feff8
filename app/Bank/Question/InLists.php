<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Question;

use Doctrine\DBAL\Types\Types;
use Doctrine\ORM\Mapping as ORM;
use Zetema\Core\Data\AuthorText;
use Zetema\Core\Question\Points;

/** What lists show of a question and sort it by: columns beside its text, made anew with every change of its newest revision. */
#[ORM\Embeddable]
final class InLists
{
    #[ORM\Column(length: 200)]
    public readonly string $excerpt;

    /** What is compared and sorted by: the beginning of the stem in small letters, without marks. */
    #[ORM\Column(length: 200, options: ['default' => ''])]
    public readonly string $stemKey;

    #[ORM\Column(length: 20, options: ['default' => '0'])]
    public readonly string $worth;

    /** The worth in millionths of a point, to sort by. */
    #[ORM\Column(type: Types::BIGINT, options: ['default' => 0])]
    public readonly int $microPoints;

    #[ORM\Column(options: ['default' => 1])]
    public readonly int $revisionNumber;

    #[ORM\Column(options: ['default' => false])]
    public readonly bool $isUnfinished;

    /** Where its key stands among the choices, from 0, if it is one that stands alone. */
    #[ORM\Column(nullable: true)]
    public readonly ?int $keyPlace;

    /**
     * @param string $worth in points, as its revision has it
     * @param int $number of the revision
     */
    public function __construct(string $worth, int $number, bool $isWhole, string $stem, ?int $keyPlace)
    {
        $this->excerpt = AuthorText::excerpt($stem);
        $this->stemKey = AuthorText::comparable($stem);
        $this->worth = $worth;
        $this->microPoints = Points::of($this->worth)->inMillionths();
        $this->revisionNumber = $number;
        $this->isUnfinished = !$isWhole;
        $this->keyPlace = $keyPlace;
    }

    /** @return array<string, string|int|null> values by column */
    public function columns(): array
    {
        return [
            'excerpt' => $this->excerpt,
            'stem_key' => $this->stemKey,
            'worth' => $this->worth,
            'micro_points' => $this->microPoints,
            'revision_number' => $this->revisionNumber,
            'is_unfinished' => (int) $this->isUnfinished,
            'key_place' => $this->keyPlace,
        ];
    }
}
