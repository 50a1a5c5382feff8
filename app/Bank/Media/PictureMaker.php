<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Media;

use Zetema\Core\Data\Malformed;

/**
 * Photographs and bitmaps are drawn anew before they are kept: no hidden data stays, turned ones are set upright, large ones made smaller.
 */
final class PictureMaker
{
    public const LONGEST_SIDE = 1600;
    private const MOST_PIXELS = 24_000_000;

    /**
     * @return array{bytes: string, type: string, width: int, height: int}
     *
     * @throws Malformed if it is no picture, or too large a one
     */
    public static function make(string $bytes): array
    {
        $size = @getimagesizefromstring($bytes);
        if ($size === false || !in_array($size[2], [IMAGETYPE_PNG, IMAGETYPE_JPEG, IMAGETYPE_GIF, IMAGETYPE_WEBP], true)) {
            throw new Malformed('file', 'is no picture that can be read; PNG, JPEG, GIF, WebP and SVG can');
        }
        if ($size[0] * $size[1] > self::MOST_PIXELS) {
            throw new Malformed('file', sprintf('has %d × %d pixels; make it smaller than 24 million in all', $size[0], $size[1]));
        }
        ini_set('memory_limit', '1G');
        $image = @imagecreatefromstring($bytes);
        if ($image === false) {
            throw new Malformed('file', 'is a damaged picture');
        }
        $image = self::upright($image, $bytes, $size[2]);
        $longest = max(imagesx($image), imagesy($image));
        if ($longest > self::LONGEST_SIDE) {
            $image = imagescale(
                $image,
                (int) round((imagesx($image) * self::LONGEST_SIDE) / $longest),
                (int) round((imagesy($image) * self::LONGEST_SIDE) / $longest),
                IMG_BICUBIC,
            );
            if ($image === false) {
                throw new Malformed('file', 'could not be made smaller');
            }
        }
        imagesavealpha($image, true);
        ob_start();
        $jpeg = $size[2] === IMAGETYPE_JPEG;
        $jpeg ? imagejpeg($image, null, 86) : imagepng($image, null, 7);

        return [
            'bytes' => (string) ob_get_clean(),
            'type' => $jpeg ? 'image/jpeg' : 'image/png',
            'width' => imagesx($image),
            'height' => imagesy($image),
        ];
    }

    private static function upright(\GdImage $image, string $bytes, int $type): \GdImage
    {
        if ($type !== IMAGETYPE_JPEG || !function_exists('exif_read_data')) {
            return $image;
        }
        $data = @exif_read_data('data://image/jpeg;base64,' . base64_encode($bytes));
        $angle = match (is_array($data) ? $data['Orientation'] ?? 1 : 1) {
            3 => 180,
            6 => -90,
            8 => 90,
            default => 0,
        };
        $turned = $angle === 0 ? $image : imagerotate($image, $angle, 0);

        return $turned === false ? $image : $turned;
    }
}
