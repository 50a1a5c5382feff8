<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\Paper;

use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Question\Kinds\Kind;
use Zetema\Core\Question\Response\ChosenChoices;
use Zetema\Core\Question\Response\FilledParts;
use Zetema\Core\Question\Response\OrderedItems;
use Zetema\Core\Question\Response\Response;
use Zetema\Core\Question\Response\ResponseForm;

/**
 * Between a candidate's page, which names things by their place on it, and the question, which names them by their number: numbers
 * tell the order written, and that may tell the answer, so they never leave the server.
 */
final readonly class PageOrder
{
    private ResponseForm $form;
    private string $field;
    /** @var list<int> ids of parts that stand as written */
    private array $parts;

    /** @param list<list<int>> $lists numbers in the order of the page, as the kind's shuffledLists() has them */
    public function __construct(Kind $kind, private array $lists)
    {
        $this->form = $kind::id()->facts()->form;
        $this->field = $kind::id()->facts()->field;
        $this->parts = $kind->lineIds();
    }

    /**
     * A response as the page sends it, in the question's numbers. What has the wrong shape is left for the kind to refuse.
     *
     * @throws Malformed for a place that is not there
     */
    public function toNumbers(mixed $given): mixed
    {
        $value = is_array($given) ? $given[$this->field] ?? null : null;
        if ($this->lists === [] || !is_array($given) || (!is_array($value) && !($value instanceof \stdClass))) {
            return $given;
        }
        if ($this->form->isMap()) {
            return [...$given, $this->field => $this->numbered((array) $value)];
        }
        if ($this->form === ResponseForm::Choices || $this->form === ResponseForm::Order) {
            return [
                ...$given,
                $this->field => array_map(fn (int $place): int => $this->number(0, $place), Fields::of($given)->integers($this->field)),
            ];
        }

        return $given;
    }

    /** @return array<string, mixed>|null the response as the page has it */
    public function toPlaces(Response $response): ?array
    {
        if ($this->lists === []) {
            return $response->toData();
        }
        if ($response instanceof ChosenChoices) {
            $chosen = array_map(fn (int $id): int => $this->place(0, $id), $response->choices);
            sort($chosen);

            return [$this->field => $chosen];
        }
        if ($response instanceof OrderedItems) {
            return [$this->field => array_map(fn (int $id): int => $this->place(0, $id), $response->items)];
        }

        return $response instanceof FilledParts ? [$this->field => (object) $this->placed($response->parts)] : $response->toData();
    }

    /**
     * @param array<array-key, mixed> $map as the page has it
     *
     * @return array<array-key, mixed>
     */
    private function numbered(array $map): array
    {
        $numbered = [];
        foreach ($map as $key => $value) {
            $list = $this->form === ResponseForm::EntryOfOwnList ? (int) $key - 1 : 0;
            if ($this->form === ResponseForm::MixedParts) {
                $numbered[$this->number(0, (int) $key)] = $value;
            } elseif (
                !is_string($value) ||
                $value === '' ||
                ($this->form === ResponseForm::EntryOfOwnList && ($this->lists[$list] ?? []) === [])
            ) {
                $numbered[$this->part($key)] = $value;
            } else {
                $numbered[$this->part($key)] = (string) $this->number($list, (int) $value);
            }
        }

        return $numbered;
    }

    /**
     * @param array<int, string> $parts
     *
     * @return array<array-key, string>
     */
    private function placed(array $parts): array
    {
        $map = [];
        foreach ($parts as $part => $value) {
            $at = $this->placeOfPart($part);
            $map[(string) $at] = match ($this->form) {
                ResponseForm::EntryByPart => (string) $this->place(0, (int) $value),
                ResponseForm::EntryOfOwnList => ($this->lists[$at - 1] ?? []) === []
                    ? $value
                    : (string) $this->place($at - 1, (int) $value),
                ResponseForm::Choices, ResponseForm::Text, ResponseForm::Order, ResponseForm::Points, ResponseForm::MixedParts => $value,
            };
        }

        return $map;
    }

    /** The id of a part that stands as written, by its place. */
    private function part(int|string $place): int
    {
        $isPlace = preg_match('/^[1-9]\d{0,3}$/', (string) $place) === 1;

        return ($isPlace ? $this->parts[(int) $place - 1] ?? null : null) ??
            throw new Malformed($this->field, sprintf('there is no part %s', mb_substr((string) $place, 0, 40)));
    }

    private function number(int $list, int $place): int
    {
        return $this->lists[$list][$place - 1] ??
            throw new Malformed(
                $this->field,
                sprintf('there is no %s %d', $this->form === ResponseForm::Choices ? 'choice' : 'place', $place),
            );
    }

    /** Where a part stands on the page, from 1: as written, or where its list was mixed to. */
    public function placeOfPart(int $part): int
    {
        return $this->form === ResponseForm::MixedParts ? $this->place(0, $part) : (int) array_search($part, $this->parts, true) + 1;
    }

    /** Where a number stands in a list, from 1. */
    public function place(int $list, int $number): int
    {
        return (int) array_search($number, $this->lists[$list] ?? [], true) + 1;
    }
}
