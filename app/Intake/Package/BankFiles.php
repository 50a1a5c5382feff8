<?php

declare(strict_types=1);

namespace Zetema\App\Intake\Package;

use Zetema\App\Bank\Bank;
use Zetema\App\Bank\Media\Media;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Exchange\Qti\PackageFiles;

/** The files of a package that is opened for a bank: those that are named are kept, under the names that the bank will have for them. */
final class BankFiles implements PackageFiles
{
    /** @var array<string, string> names by path */
    private array $names = [];
    /** @var array<string, string> hashes by name */
    private array $kept = [];
    /** @var array<string, string> why a file is not kept, by path */
    private array $refused = [];

    public function __construct(private readonly PackageFiles $files, private readonly Media $media, private readonly Bank $bank)
    {
    }

    public function has(string $path): bool
    {
        return $this->files->has($path);
    }

    public function contents(string $path): ?string
    {
        return $this->files->contents($path);
    }

    public function named(string $path): string
    {
        if (isset($this->names[$path])) {
            return $this->names[$path];
        }
        try {
            ['name' => $name, 'hash' => $hash] = $this->media->await(
                $this->bank,
                basename($path),
                $this->files->contents($path) ?? '',
                $this->kept,
            );
            $this->kept[$name] = $hash;
        } catch (Malformed $e) {
            $name = basename($path);
            $this->refused[$path] = $e->getMessage();
        }

        return $this->names[$path] = $name;
    }

    public function paths(): array
    {
        return $this->files->paths();
    }

    /** @return array<string, string> hashes by name */
    public function kept(): array
    {
        return $this->kept;
    }

    /** @return array<string, string> why, by path */
    public function refused(): array
    {
        return $this->refused;
    }
}
