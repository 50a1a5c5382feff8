<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting;

use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Question\Response\Response;

/**
 * Between a candidate's page, which names things by their place on it, and the question, which names them by their number: numbers
 * tell the order written, and that may tell the answer, so they never leave the server.
 */
final readonly class PageOrder
{
    /** @param list<list<int>> $lists numbers in the order of the page, as the kind's shuffledLists() has them */
    public function __construct(private array $lists)
    {
    }

    /**
     * A response as the page sends it, in the question's numbers. What has the wrong shape is left for the kind to refuse.
     *
     * @throws Malformed for a place that is not there
     */
    public function toNumbers(mixed $given): mixed
    {
        if ($this->lists === [] || !is_array($given)) {
            return $given;
        }
        foreach (['choose', 'order'] as $field) {
            if (isset($given[$field]) && is_array($given[$field])) {
                return [...$given, $field => array_map(fn (int $place): int => $this->number($field, 0, $place), Fields::of($given)->integers($field))];
            }
        }
        foreach (['pairs' => 'value', 'groups' => 'key', 'place' => 'key', 'gaps' => 'gap'] as $field => $what) {
            $map = $given[$field] ?? null;
            if ($map instanceof \stdClass || is_array($map)) {
                return [...$given, $field => $this->mapped((array) $map, $field, $what)];
            }
        }

        return $given;
    }

    /** @return array<string, mixed>|null the response as the page has it */
    public function toPlaces(Response $response): ?array
    {
        if ($this->lists === []) {
            return $response->toData();
        }
        $map = [];
        foreach ($response->map as $part => $value) {
            match ($response->field) {
                'pairs' => $map[(string) $part] = (string) $this->place(0, (int) $value),
                'gaps' => $map[(string) $part] = ($this->lists[$part - 1] ?? []) === [] ? $value : (string) $this->place($part - 1, (int) $value),
                default => $map[(string) $this->place(0, $part)] = $value,
            };
        }
        $chosen = array_map(fn (int $id): int => $this->place(0, $id), $response->chosen);
        sort($chosen);

        return match ($response->field) {
            'choose' => ['choose' => $chosen],
            'order' => ['order' => array_map(fn (int $id): int => $this->place(0, $id), $response->order)],
            'pairs', 'groups', 'place', 'gaps' => [$response->field => (object) $map],
            default => $response->toData(),
        };
    }

    /**
     * @param array<array-key, mixed> $map
     *
     * @return array<array-key, mixed>
     */
    private function mapped(array $map, string $field, string $what): array
    {
        $numbered = [];
        foreach ($map as $key => $value) {
            $blank = !is_string($value) || $value === '';
            if ($what === 'key') {
                $numbered[$this->number($field, 0, (int) $key)] = $value;
            } elseif ($blank || ($what === 'gap' && ($this->lists[(int) $key - 1] ?? []) === [])) {
                $numbered[$key] = $value;
            } else {
                $numbered[$key] = (string) $this->number($field, $what === 'gap' ? (int) $key - 1 : 0, (int) $value);
            }
        }

        return $numbered;
    }

    private function number(string $field, int $list, int $place): int
    {
        return $this->lists[$list][$place - 1] ?? throw new Malformed($field, sprintf('there is no %s %d', $field === 'choose' ? 'choice' : 'place', $place));
    }

    private function place(int $list, int $number): int
    {
        return (int) array_search($number, $this->lists[$list] ?? [], true) + 1;
    }
}
