<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Qti\Package;

use Zetema\Core\Exchange\Qti\Xml\Element;

/** A resource of a package: a file, what belongs to it, and what is said about it. */
final readonly class Resource
{
    /**
     * @param string|null $path of its file; null where it leads out of the package or is not there
     * @param list<string> $tags
     * @param list<string> $objective
     * @param string|null $difficulty easy, medium or hard
     */
    public function __construct(
        public string $identifier,
        public string $type,
        public ?string $path,
        public Element $element,
        public array $tags = [],
        public array $objective = [],
        public ?string $difficulty = null,
    ) {
    }

    public function isOfTheStandard(): bool
    {
        return str_starts_with(strtolower($this->type), 'imsqti_');
    }
}
