<?php

declare(strict_types=1);

namespace Zetema\App\Background\Out;

/** A file as it is written, little by little. */
final readonly class WrittenOut
{
    /**
     * @param string $name what the file is called where it is fetched
     * @param int $total of how many things it is
     * @param int $each how many of them a piece has
     * @param iterable<array-key, string> $pieces of a text, or the files of a zip by their paths
     */
    public function __construct(
        public string $name,
        public string $type,
        public int $total,
        public int $each,
        public iterable $pieces,
        public bool $isZip = false,
    ) {
    }
}
