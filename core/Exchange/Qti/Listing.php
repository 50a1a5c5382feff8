<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Qti;

use Zetema\Core\Exchange\Qti\Xml\Element;
use Zetema\Core\Question\Problem;

/** What of one file has no counterpart, and what breaks the standard, in the order of the document. */
final class Listing
{
    /** Attributes that are only look or house-keeping, wherever they stand. */
    private const QUIET = [
        'class',
        'style',
        'id',
        'label',
        'dir',
        'lang',
        'tabindex',
        'expectedLength',
        'expectedLines',
        'placeholderText',
        'format',
        'stylesheet',
        'title',
        'toolName',
        'toolVersion',
        'timeDependent',
        'required',
        'interpretation',
        'normalMinimum',
        'xmlns',
        'schemaLocation',
        'role',
    ];
    private const QUIET_ELEMENTS = ['stylesheet', 'outcomeDeclaration'];

    /** @var list<array{array{int, int}, Unmatched}> */
    private array $unmatched = [];
    /** @var list<array{int, Problem}> */
    private array $problems = [];

    public function __construct(public readonly string $item, public readonly string $file)
    {
    }

    /** @param string $what '' for the name of the element */
    public function unmatched(Element $at, string $what = '', int $attribute = 0): void
    {
        $this->unmatched[] = [
            [$at->order, $attribute],
            new Unmatched($this->item, $what === '' ? $at->written : $what, $at->line, $this->file),
        ];
    }

    public function problem(Element $at, string $message): void
    {
        $this->problems[] = [$at->order, new Problem($at->line, 1, $message)];
    }

    public function forgetUnmatched(): void
    {
        $this->unmatched = [];
    }

    /** Lists what of an element that was taken has not been understood; of one that was not, only its name. */
    public function rest(Element $taken): void
    {
        $written = $taken->attributesLeft();
        foreach ($written as $i => $attribute) {
            $plain = preg_replace_callback('/-([a-z])/', static fn (array $m): string => strtoupper($m[1]), $attribute) ?? '';
            if (
                !in_array($plain, self::QUIET, true) &&
                preg_match('/^(?:data-|aria-|xml:|xmlns:|xsi:)/', $attribute) !== 1 &&
                !str_ends_with($attribute, ':schemaLocation')
            ) {
                $this->unmatched($taken, $attribute, $i + 1);
            }
        }
        foreach ($taken->children() as $child) {
            if ($child->isTaken()) {
                $this->rest($child);
            } elseif (!in_array($child->name, self::QUIET_ELEMENTS, true)) {
                $this->unmatched($child);
            }
        }
    }

    /** @return list<Unmatched> */
    public function allUnmatched(): array
    {
        $all = $this->unmatched;
        usort($all, static fn (array $a, array $b): int => $a[0] <=> $b[0]);

        return array_map(static fn (array $u): Unmatched => $u[1], $all);
    }

    /** @return list<Problem> */
    public function allProblems(): array
    {
        $all = $this->problems;
        usort($all, static fn (array $a, array $b): int => $a[0] <=> $b[0]);

        return array_map(static fn (array $p): Problem => $p[1], $all);
    }
}
