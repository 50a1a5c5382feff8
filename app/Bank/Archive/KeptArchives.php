<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Archive;

use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Zetema\Core\Data\Malformed;

/** Archives that were brought and have yet to be read. */
final readonly class KeptArchives
{
    public const LARGEST = 200_000_000;

    public function __construct(#[Autowire('%env(resolve:MEDIA_DIR)%/archives')] private string $folder)
    {
    }

    /**
     * @param resource $bytes
     *
     * @return string by which it is found again
     *
     * @throws Malformed if it is too large
     */
    public function keep($bytes): string
    {
        if (!is_dir($this->folder)) {
            mkdir($this->folder, 0o775, true);
        }
        $key = bin2hex(random_bytes(16));
        $file = fopen($this->path($key), 'w');
        if ($file === false) {
            throw new \RuntimeException('There is no room for an archive.');
        }
        // One byte more than may be tells that there are more.
        $size = stream_copy_to_stream($bytes, $file, self::LARGEST + 1);
        fclose($file);
        if ($size === false || $size > self::LARGEST) {
            $this->forget($key);
            throw new Malformed('file', sprintf('is larger than the %d MB that an archive may have', intdiv(self::LARGEST, 1_000_000)));
        }

        return $key;
    }

    public function path(string $key): string
    {
        return $this->folder . '/' . preg_replace('/[^0-9a-f]/', '', $key) . '.zip';
    }

    public function forget(string $key): void
    {
        @unlink($this->path($key));
    }
}
