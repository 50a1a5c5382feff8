<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Response\Space;

use Zetema\Core\Question\Response\Response;
use Zetema\Core\Question\Response\ResponseSpace;

/** Parts that are given something. */
abstract readonly class Maps implements ResponseSpace
{
    /**
     * @param string $field of the response
     * @param array<int, list<string>> $values what each part may be given; "" is left out
     */
    public function __construct(public string $field, public array $values)
    {
    }

    /**
     * @param array<int, list<string>> $values
     * @param bool $once whether each value is used once
     * @param array<int, string> $map
     *
     * @return \Generator<int, Response>
     */
    protected function maps(array $values, bool $once, array $map = []): \Generator
    {
        if ($values === []) {
            yield Response::mapping($this->field, $map);

            return;
        }
        $part = array_key_first($values);
        foreach ($values[$part] as $value) {
            if (!$once || $value === '' || !in_array($value, $map, true)) {
                yield from $this->maps(array_slice($values, 1, null, true), $once, $map + [$part => $value]);
            }
        }
    }
}
