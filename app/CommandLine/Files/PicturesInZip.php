<?php

declare(strict_types=1);

namespace Zetema\App\CommandLine\Files;

use Zetema\Core\Data\Malformed;
use Zetema\Core\Exchange\Archive\Archive;
use Zetema\Core\Exchange\Qti\Package\ZipFiles;
use Zetema\Core\Exchange\Zip\RefusedZip;
use Zetema\Core\Exchange\Zip\SafeZip;

/** The pictures that questions from a zip show, as these call them. */
final readonly class PicturesInZip
{
    private function __construct(private Archive|ZipFiles $zip)
    {
    }

    public static function of(string $file): ?self
    {
        if ($file === '-' || !is_file($file) || file_get_contents($file, length: strlen(SafeZip::BEGINS)) !== SafeZip::BEGINS) {
            return null;
        }
        try {
            $zip = SafeZip::open($file);

            return new self(Archive::isOne($zip) ? new Archive($zip) : new ZipFiles($zip));
        } catch (RefusedZip|Malformed) {
            return null; // whoever reads its questions says why
        }
    }

    public function contents(string $name): ?string
    {
        if ($this->zip instanceof ZipFiles) {
            return $this->zip->contents($name);
        }

        return in_array($name, $this->zip->media(), true) ? $this->zip->medium($name) : null;
    }
}
