<?php

declare(strict_types=1);

namespace Zetema\App\Shared;

use Symfony\Component\HttpFoundation\Request;
use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Malformed;

/** The JSON body of a request, read field by field. */
final class Body
{
    private const LARGEST = 20_000_000;

    public static function of(Request $request): Fields
    {
        $json = $request->getContent();
        if (strlen($json) > self::LARGEST) {
            throw new Malformed('document', 'has more than 20 MB; bring it in smaller pieces');
        }

        return Fields::ofJson($json === '' ? '{}' : $json);
    }
}
