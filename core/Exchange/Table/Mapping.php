<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Table;

use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Malformed;

/** What somebody says about a table: where its headings stand, which column is what, and what fills empty cells. */
final readonly class Mapping
{
    /**
     * @param int|null $headings the row of the headings; 0: none; null: where they are found
     * @param array<string, array<int, string|int>> $columns headings as written or places from 1, by the meaning's name and the place of
     *   the choice, from 1; place 0: the column holds all of them, or is no choice's
     * @param array<string, string> $every what fills an empty cell, by the meaning's name
     */
    private function __construct(
        public ?int $headings,
        public ?string $separator,
        public ?string $sheet,
        public array $columns,
        public array $every,
    ) {
    }

    public static function none(): self
    {
        return new self(null, null, null, [], []);
    }

    /** @throws Malformed */
    public static function of(Fields $data): self
    {
        $data->only('headings', 'separator', 'sheet', 'columns', 'every');
        $columns = [];
        foreach ($data->optionalObject('columns')?->raw() ?? [] as $name => $said) {
            $meaning = Meaning::tryFrom((string) $name) ?? throw new Malformed((string) $name, 'is nothing that a column can hold');
            $isList = is_array($said) && array_is_list($said);
            // A choice that no column holds is left out of its list as null.
            foreach ($isList ? $said : [$said] as $i => $one) {
                if ($one !== null) {
                    $columns[$meaning->value][$isList && $meaning->isOfMany() ? $i + 1 : 0] =
                        is_string($one) || (is_int($one) && $one > 0)
                            ? $one
                            : throw new Malformed($meaning->value, 'must be headings, or places from 1');
                }
            }
            if ($isList && count($said) !== 1 && !$meaning->isOfMany()) {
                throw new Malformed($meaning->value, 'stands in one column');
            }
        }
        $every = $data->textMap('every');
        foreach (array_keys($every) as $name) {
            Meaning::tryFrom($name) ?? throw new Malformed($name, 'is nothing that a column can hold');
        }
        $headings = $data->optionalInteger('headings');
        if ($headings !== null && $headings < 0) {
            throw new Malformed('headings', 'must be a row from 1, or 0 for none');
        }

        return new self($headings, $data->optionalText('separator'), $data->optionalText('sheet'), $columns, $every);
    }
}
