<?php

declare(strict_types=1);

namespace Zetema\App\Shared;

use Symfony\Component\HttpFoundation\Request;
use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Malformed;

/** The JSON body of a request, read field by field. */
final class Body
{
    private const LARGEST = 2_000_000;
    private const LARGEST_SEED = 999_999_999_999_999;

    /**
     * @param int $largest bytes; a larger one is refused before it is read
     *
     * @throws Malformed
     */
    public static function of(Request $request, int $largest = self::LARGEST): Fields
    {
        $announced = (int) $request->headers->get('Content-Length', '0');
        $json = $announced > $largest ? '' : $request->getContent();
        $bytes = max($announced, strlen($json));
        if ($bytes > $largest) {
            throw new Malformed(
                'document',
                sprintf(
                    'has %.1f MB; up to %d MB can be taken at once, so bring it in smaller pieces',
                    $bytes / 1e6,
                    intdiv($largest, 1_000_000),
                ),
            );
        }

        return Fields::ofJson($json === '' ? '{}' : $json);
    }

    /**
     * The seed that a request names, if it does: a whole number that every browser can hold exactly.
     *
     * @throws Malformed
     */
    public static function seed(Fields $body): ?int
    {
        $seed = $body->optionalInteger('seed');
        if ($seed !== null && abs($seed) > self::LARGEST_SEED) {
            throw new Malformed('seed', 'must be a whole number of at most 15 digits');
        }

        return $seed;
    }
}
