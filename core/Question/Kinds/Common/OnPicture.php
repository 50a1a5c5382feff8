<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Kinds\Common;

use Zetema\Core\Question\Response\Response;

/** A kind that is answered on a picture: what was given can be drawn on it again. */
interface OnPicture
{
    /**
     * The picture with what was given on it, in image pixels.
     *
     * @param bool $withKey whether the right areas may be shown
     *
     * @return array{picture: array<string, mixed>, clicks: list<array{int, int}>, areas: list<array{area: string, name: string|null}>,
     *   labels: list<array{x: int, y: int, radius: int, text: string}>}
     */
    public function pictured(Response $response, bool $withKey): array;
}
