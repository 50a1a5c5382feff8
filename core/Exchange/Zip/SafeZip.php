<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Zip;

/**
 * A zip from anybody: refused as a whole if a name leads out of it, if it is encrypted, if it is larger than it may be or than it says.
 * Sizes are counted by unpacking, not believed.
 */
final class SafeZip
{
    /** By which a zip is known. */
    public const BEGINS = "PK\x03\x04";
    private const MOST_ENTRIES = 5_000;
    private const LARGEST_FILE = 20_000_000;
    private const MOST_RATIO = 100;
    private const RATIO_FROM = 1_000_000;
    private const PIECE = 65_536;

    /** @param array<string, int> $entries places in the zip, by name; without folders */
    private function __construct(private readonly \ZipArchive $zip, private readonly array $entries)
    {
    }

    /**
     * @param int $largest bytes of all that is unpacked
     *
     * @throws RefusedZip
     */
    public static function open(string $path, int $largest = 200_000_000): self
    {
        $zip = new \ZipArchive();
        if ($zip->open($path, \ZipArchive::RDONLY) !== true) {
            throw new RefusedZip('cannot be opened; it is no whole zip');
        }
        if ($zip->numFiles > self::MOST_ENTRIES) {
            throw new RefusedZip(
                sprintf('has %s entries; up to %s are taken', number_format($zip->numFiles), number_format(self::MOST_ENTRIES)),
            );
        }
        $entries = $seen = [];
        $all = 0;
        for ($i = 0; $i < $zip->numFiles; ++$i) {
            $stat = $zip->statIndex($i);
            if ($stat === false) {
                throw new RefusedZip(sprintf('entry %d cannot be read', $i + 1));
            }
            ['name' => $name, 'size' => $size, 'comp_size' => $packed] = $stat;
            self::refuseName($name);
            self::refuseKind($zip, $i, $name, $stat['encryption_method']);
            $folded = mb_strtolower($name);
            if (isset($seen[$folded])) {
                throw new RefusedZip(sprintf('“%s” is in it twice', $name));
            }
            $seen[$folded] = true;
            $all += $size;
            self::refuseSize($name, $size, $packed);
            if ($all > $largest) {
                throw new RefusedZip(sprintf('unpacks to more than %s MB', number_format(intdiv($largest, 1_000_000))));
            }
            self::refuseLie($zip, $i, $name, $size);
            if (!str_ends_with($name, '/')) {
                $entries[$name] = $i;
            }
        }

        return new self($zip, $entries);
    }

    /** @return list<string> */
    public function names(): array
    {
        return array_map(strval(...), array_keys($this->entries));
    }

    public function has(string $name): bool
    {
        return isset($this->entries[$name]);
    }

    /** @throws RefusedZip if it is larger than it may be, or damaged */
    public function contents(string $name): string
    {
        $index = $this->entries[$name] ?? throw new RefusedZip(sprintf('“%s” is not in it', $name));
        $contents = @$this->zip->getFromIndex($index);

        return $contents === false ? throw new RefusedZip(sprintf('“%s” is damaged', $name)) : $contents;
    }

    /** A size that is not what it unpacks to is found by unpacking it, a piece at a time and no further than it says. */
    private static function refuseLie(\ZipArchive $zip, int $i, string $name, int $size): void
    {
        $stream = $zip->getStreamIndex($i);
        if ($stream === false) {
            throw new RefusedZip(sprintf('“%s” cannot be unpacked', $name));
        }
        $unpacked = 0;
        do {
            $piece = @fread($stream, self::PIECE);
            $unpacked += strlen((string) $piece);
        } while ($piece !== false && $piece !== '' && $unpacked <= $size);
        fclose($stream);
        if ($unpacked !== $size) {
            throw new RefusedZip(sprintf('the entry “%s” is not as large as the zip says', $name));
        }
    }

    private static function refuseName(string $name): void
    {
        $why = match (true) {
            $name === '', str_starts_with($name, '/'), preg_match('/^[A-Za-z]:/', $name) === 1 => 'is an absolute path',
            str_contains($name, '\\') => 'has a backslash',
            preg_match('/(?:^|\/)\.\.(?:\/|$)/', $name) === 1 => 'leads out of the zip',
            preg_match('/[\x00-\x1F\x7F]/', $name) === 1 => 'has a control character',
            default => null,
        };
        if ($why !== null) {
            throw new RefusedZip(sprintf('the entry “%s” %s', preg_replace('/[\x00-\x1F\x7F]/', '?', $name) ?? '', $why));
        }
    }

    private static function refuseKind(\ZipArchive $zip, int $i, string $name, int $encryption): void
    {
        if ($encryption !== 0) {
            throw new RefusedZip(sprintf('the entry “%s” is encrypted', $name));
        }
        $system = $attributes = 0;
        if ($zip->getExternalAttributesIndex($i, $system, $attributes) && $system === \ZipArchive::OPSYS_UNIX) {
            $type = ((is_int($attributes) ? $attributes : 0) >> 16) & 0o170000;
            if (!in_array($type, [0, 0o100000, 0o040000], true)) {
                throw new RefusedZip(sprintf('the entry “%s” is a link', $name));
            }
        }
    }

    private static function refuseSize(string $name, int $size, int $packed): void
    {
        if ($size > self::LARGEST_FILE) {
            throw new RefusedZip(sprintf('the entry “%s” unpacks to more than %d MB', $name, intdiv(self::LARGEST_FILE, 1_000_000)));
        }
        if ($size > self::RATIO_FROM && $size > self::MOST_RATIO * max(1, $packed)) {
            throw new RefusedZip(sprintf('the entry “%s” unpacks to more than %d times its size', $name, self::MOST_RATIO));
        }
    }
}
