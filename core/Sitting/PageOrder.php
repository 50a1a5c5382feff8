<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting;

use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Question\Kinds\KindFacts;
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

    /** @param list<list<int>> $lists numbers in the order of the page, as the kind's shuffledLists() has them */
    public function __construct(KindFacts $facts, private array $lists)
    {
        $this->form = $facts->form;
        $this->field = $facts->field;
    }

    /**
     * A response as the page sends it, in the question's numbers. What has the wrong shape is left for the kind to refuse.
     *
     * @throws Malformed for a place that is not there
     */
    public function toNumbers(mixed $given): mixed
    {
        $value = is_array($given) ? $given[$this->field] ?? null : null;
        if ($this->lists === [] || !is_array($given) || (!is_array($value) && !$value instanceof \stdClass)) {
            return $given;
        }
        if ($this->form->isMap()) {
            return [...$given, $this->field => $this->numbered((array) $value)];
        }
        if ($this->form === ResponseForm::Choices || $this->form === ResponseForm::Order) {
            return [...$given, $this->field => array_map(fn (int $place): int => $this->number(0, $place), Fields::of($given)->integers($this->field))];
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
            } elseif (!is_string($value) || $value === '' || ($this->form === ResponseForm::EntryOfOwnList && ($this->lists[$list] ?? []) === [])) {
                $numbered[$key] = $value;
            } else {
                $numbered[$key] = (string) $this->number($list, (int) $value);
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
            match ($this->form) {
                ResponseForm::EntryByPart => $map[(string) $part] = (string) $this->place(0, (int) $value),
                ResponseForm::EntryOfOwnList => $map[(string) $part] = ($this->lists[$part - 1] ?? []) === [] ? $value : (string) $this->place($part - 1, (int) $value),
                default => $map[(string) $this->place(0, $part)] = $value,
            };
        }

        return $map;
    }

    private function number(int $list, int $place): int
    {
        return $this->lists[$list][$place - 1] ?? throw new Malformed($this->field, sprintf('there is no %s %d', $this->form === ResponseForm::Choices ? 'choice' : 'place', $place));
    }

    private function place(int $list, int $number): int
    {
        return (int) array_search($number, $this->lists[$list] ?? [], true) + 1;
    }
}
