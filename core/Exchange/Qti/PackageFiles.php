<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Qti;

/** The files that an item may refer to, by their paths from the package's root. */
interface PackageFiles
{
    public function has(string $path): bool;

    /** @return string|null null where there is none, or it is no file to be looked into */
    public function contents(string $path): ?string;

    /** What a text calls a file that is there. */
    public function named(string $path): string;

    /** @return list<string> */
    public function paths(): array;
}
