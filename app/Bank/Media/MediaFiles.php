<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Media;

use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Zetema\App\Shared\NoRoom;

/**
 * Files by what they hold: each is called by its hash, is written beside, is on the disk before it gets its name, and holds what its name
 * says.
 */
final readonly class MediaFiles
{
    /** Seconds that a file of an opened package waits to be taken in. */
    private const WAITS = 30 * 86_400;

    public function __construct(#[Autowire('%env(resolve:MEDIA_DIR)%')] private string $folder)
    {
    }

    public function path(string $hash): string
    {
        return $this->folder . '/' . substr($hash, 0, 2) . '/' . $hash;
    }

    /** Whether it is there and whole. */
    public function has(string $hash): bool
    {
        return self::holds($this->path($hash), $hash);
    }

    /** One that is there whole stays; one that was cut off once is replaced. @throws NoRoom */
    public function keep(string $hash, string $bytes): void
    {
        if (!$this->has($hash)) {
            self::put($this->path($hash), $hash, $bytes);
        }
    }

    /** Keeps it for a bank that may take it in later. @throws NoRoom */
    public function await(string $hash, string $bytes): void
    {
        if (!$this->has($hash)) {
            self::put($this->waiting($hash), $hash, $bytes);
        }
    }

    /** @return string|null what is kept, or waits */
    public function contents(string $hash): ?string
    {
        foreach ([$this->path($hash), $this->waiting($hash)] as $path) {
            $bytes = self::holds($path, $hash) ? file_get_contents($path) : false;
            if ($bytes !== false) {
                return $bytes;
            }
        }

        return null;
    }

    /** Lets go of files that have waited for so long that nobody will take them in; opened again, their package brings them again. */
    public function forgetWaiting(\DateTimeImmutable $now): void
    {
        $paths = glob($this->waiting('*'));
        foreach ($paths === false ? [] : $paths as $path) {
            if (filemtime($path) < $now->getTimestamp() - self::WAITS) {
                unlink($path);
            }
        }
    }

    private function waiting(string $hash): string
    {
        return $this->folder . '/waiting/' . $hash;
    }

    private static function holds(string $path, string $hash): bool
    {
        return is_file($path) && hash_file('sha256', $path) === $hash;
    }

    private static function put(string $path, string $hash, string $bytes): void
    {
        if (!is_dir(dirname($path))) {
            @mkdir(dirname($path), 0o775, true);
        }
        $part = $path . '.part-' . bin2hex(random_bytes(4));
        $file = @fopen($part, 'x');
        $isWritten = $file !== false && @fwrite($file, $bytes) === strlen($bytes) && @fflush($file) && @fsync($file);
        if ($file !== false) {
            fclose($file);
        }
        if (!$isWritten || !self::holds($part, $hash) || !rename($part, $path)) {
            @unlink($part);
            throw new NoRoom('There is no room for a file.');
        }
    }
}
