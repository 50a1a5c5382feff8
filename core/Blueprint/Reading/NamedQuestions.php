<?php

declare(strict_types=1);

namespace Zetema\Core\Blueprint\Reading;

/** Where a blueprint's document names questions, so that authors can write names where ids are stored. */
final class NamedQuestions
{
    /** Fields whose value is a question, and fields whose value is a list of them. */
    private const ONE = ['question', 'outcome', 'chosen'];
    private const LISTS = ['only', 'without', 'also', 'questions'];

    /**
     * The same document with every question called otherwise. What has another shape is left as it is.
     *
     * @param callable(string): string $call
     */
    public static function called(mixed $document, callable $call): mixed
    {
        if (!is_array($document)) {
            return $document;
        }
        foreach ($document as $field => $value) {
            $document[$field] = match (true) {
                in_array($field, self::ONE, true) && is_string($value) => $call($value),
                in_array($field, self::LISTS, true) && is_array($value) => array_map(
                    static fn (mixed $one): mixed => is_string($one) ? $call($one) : $one,
                    $value,
                ),
                $field === 'apart' && is_array($value) => array_map(
                    static fn (mixed $pair): mixed => is_array($pair)
                        ? array_map(static fn (mixed $one): mixed => is_string($one) ? $call($one) : $one, $pair)
                        : $pair,
                    $value,
                ),
                default => self::called($value, $call),
            };
        }

        return $document;
    }
}
