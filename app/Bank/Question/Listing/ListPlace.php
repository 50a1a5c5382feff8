<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Question\Listing;

use Zetema\Core\Data\Malformed;

/** Where a page of a list ended, as the next one is asked for: a word that says nothing to anybody else. */
final readonly class ListPlace
{
    /**
     * @param int $phase 0 while the questions have what the list is ordered by, 1 for those that do not
     * @param list<int|string> $keys of the last row
     */
    private function __construct(public int $phase, public array $keys)
    {
    }

    /** @throws Malformed */
    public static function of(string $word): self
    {
        if ($word === '') {
            return new self(0, []);
        }
        $keys = json_decode((string) base64_decode(strtr($word, '-_', '+/'), true), true, 2);
        $phase = is_array($keys) ? array_shift($keys) : null;
        if (
            !is_array($keys) ||
            !in_array($phase, [0, 1], true) ||
            $keys === [] ||
            array_filter($keys, static fn (mixed $key): bool => !is_int($key) && !is_string($key)) !== []
        ) {
            throw self::none();
        }

        /** @var list<int|string> $keys */
        return new self($phase, $keys);
    }

    /** @param array<string, mixed> $row with its phase and its keys */
    public static function end(array $row): string
    {
        $keys = [$row['phase']];
        for ($i = 0; array_key_exists('key' . $i, $row); ++$i) {
            $keys[] = $row['key' . $i];
        }

        return rtrim(strtr(base64_encode(json_encode($keys, JSON_THROW_ON_ERROR)), '+/', '-_'), '=');
    }

    public static function none(): Malformed
    {
        return new Malformed('after', 'is no place in this list; begin it anew');
    }
}
