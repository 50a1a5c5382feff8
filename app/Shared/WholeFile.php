<?php

declare(strict_types=1);

namespace Zetema\App\Shared;

use Symfony\Component\HttpFoundation\BinaryFileResponse;

/**
 * A file that is written out as a whole before the first byte of it is sent, with its length: nobody takes a part for the whole, and what
 * fails is told as what failed.
 */
final class WholeFile
{
    /**
     * @param iterable<string> $pieces
     *
     * @throws NoRoom if there is no room for it
     */
    public static function response(iterable $pieces, string $name, string $type): BinaryFileResponse
    {
        set_time_limit(0);
        $path = tempnam(sys_get_temp_dir(), 'zetema');
        if ($path === false || !self::write($path, $pieces)) {
            throw new NoRoom('There is no room to write a file.');
        }

        return (new BinaryFileResponse($path, 200, ['Content-Type' => $type]))
            ->setContentDisposition('attachment', $name)
            ->deleteFileAfterSend();
    }

    /**
     * @param iterable<string> $pieces
     *
     * @return bool whether all of it was written
     */
    public static function write(string $path, iterable $pieces): bool
    {
        $file = @fopen($path, 'w');
        if ($file === false) {
            return false;
        }
        foreach ($pieces as $piece) {
            if ($piece !== '' && @fwrite($file, $piece) !== strlen($piece)) {
                fclose($file);
                @unlink($path);

                return false;
            }
        }

        return fflush($file) && fclose($file);
    }
}
