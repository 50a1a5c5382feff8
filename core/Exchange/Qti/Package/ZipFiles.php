<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Qti\Package;

use Zetema\Core\Exchange\Qti\PackageFiles;
use Zetema\Core\Exchange\Zip\RefusedZip;
use Zetema\Core\Exchange\Zip\SafeZip;

/** The files of a zipped package, from the folder that holds its manifest. */
final readonly class ZipFiles implements PackageFiles
{
    private string $root;

    /** @throws RefusedZip if it has no manifest */
    public function __construct(private SafeZip $zip)
    {
        $names = array_values(array_filter($zip->names(), static fn (string $n): bool => !str_starts_with($n, '__MACOSX/')));
        $first = explode('/', $names[0] ?? '')[0] . '/';
        $isOneFolder = array_filter($names, static fn (string $n): bool => !str_starts_with($n, $first)) === [];
        $this->root = !$zip->has(Manifest::NAME) && $isOneFolder ? $first : '';
        if (!$this->has(Manifest::NAME)) {
            throw new RefusedZip('has no ' . Manifest::NAME . ' in its root, nor in its only folder');
        }
    }

    public function has(string $path): bool
    {
        return $this->zip->has($this->root . $path);
    }

    public function contents(string $path): ?string
    {
        return $this->has($path) ? $this->zip->contents($this->root . $path) : null;
    }

    public function named(string $path): string
    {
        return $path;
    }

    public function paths(): array
    {
        return array_map(
            fn (string $n): string => substr($n, strlen($this->root)),
            array_values(array_filter($this->zip->names(), fn (string $n): bool => str_starts_with($n, $this->root))),
        );
    }
}
