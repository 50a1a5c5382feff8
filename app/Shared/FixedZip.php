<?php

declare(strict_types=1);

namespace Zetema\App\Shared;

use Symfony\Component\HttpFoundation\BinaryFileResponse;

/** A zip in which the same files are the same bytes, whenever it is made. */
final class FixedZip
{
    /** Bytes that wait in memory until the zip is closed for once. */
    private const MOST_WAITING = 16_000_000;
    private const MADE = 1_577_836_800; // 1 January 2020, UTC

    /**
     * @param iterable<string, string> $files contents by path
     *
     * @throws NoRoom if there is no room for it
     */
    public static function response(iterable $files, string $name): BinaryFileResponse
    {
        set_time_limit(0);
        $path = tempnam(sys_get_temp_dir(), 'zetema');
        if ($path === false || !self::write($path, $files)) {
            throw new NoRoom('There is no room to write a zip.');
        }

        return (new BinaryFileResponse($path, 200, ['Content-Type' => 'application/zip']))
            ->setContentDisposition('attachment', $name)
            ->deleteFileAfterSend();
    }

    /**
     * @param iterable<string, string> $files contents by path
     *
     * @return bool whether it was written
     */
    public static function write(string $path, iterable $files): bool
    {
        $zip = new \ZipArchive();
        $part = $path . '.part';
        if ($zip->open($part, \ZipArchive::CREATE | \ZipArchive::OVERWRITE) !== true) {
            return false;
        }
        // Times of a zip are those of the clock on the wall, wherever that hangs.
        $zone = date_default_timezone_get();
        date_default_timezone_set('UTC');
        try {
            $waiting = 0;
            foreach ($files as $name => $contents) {
                if (!$zip->addFromString($name, $contents) || !$zip->setMtimeName($name, self::MADE)) {
                    return false;
                }
                $waiting += strlen($contents);
                if ($waiting > self::MOST_WAITING) {
                    if (!$zip->close() || $zip->open($part) !== true) {
                        return false;
                    }
                    $waiting = 0;
                }
            }

            return $zip->close() && rename($part, $path);
        } finally {
            date_default_timezone_set($zone);
        }
    }
}
