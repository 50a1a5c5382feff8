<?php

declare(strict_types=1);

namespace Zetema\App\CommandLine\Files;

use Symfony\Component\Console\Exception\InvalidArgumentException;

/** A file with one JSON document; `-` is standard input. */
final class JsonFile
{
    /** @throws InvalidArgumentException if it is not there, or no JSON */
    public static function read(string $file): mixed
    {
        try {
            return json_decode(QuestionFiles::contents($file), true, 128, JSON_THROW_ON_ERROR);
        } catch (\JsonException $e) {
            throw new InvalidArgumentException(sprintf('“%s” is not JSON: %s', $file, $e->getMessage()));
        }
    }
}
