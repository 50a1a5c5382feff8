<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Qti\Items\Kinds;

use Zetema\Core\Exchange\Qti\Items\PictureRef;
use Zetema\Core\Exchange\Qti\Marks\Marking;
use Zetema\Core\Exchange\Qti\Marks\Tried;
use Zetema\Core\Exchange\Qti\Variables\ResponseDeclaration;
use Zetema\Core\Exchange\Written\QuestionLines;
use Zetema\Core\Numbers\Ratio;

/** Things that belong to other things: pairs, things in groups, or labels on the spots of a picture. */
final class MatchItem extends PartsItem
{
    /**
     * @param string $kind pairs, groups or place
     * @param list<array{identifier: string, text: string, target: int|null}> $things in the order of our lines, spares last; target: place
     *   among the targets
     * @param list<array{identifier: string, text: string, name: string|null}> $targets in the order of our lines; a spot's text is its
     *   numbers
     * @param bool $isTurned whether the item's pairs name the target first
     */
    public function __construct(
        private readonly string $kind,
        private readonly string $stem,
        private readonly array $things,
        private readonly array $targets,
        private readonly ResponseDeclaration $declaration,
        private readonly bool $isTurned,
        private readonly int $line,
        private readonly ?PictureRef $picture = null,
    ) {
    }

    protected function pieces(): array
    {
        $used = array_filter(array_column($this->things, 'target'), static fn (?int $t): bool => $t !== null);
        $free = array_values(array_diff(array_keys($this->targets), $used));

        return array_map(function (array $thing) use ($free): array {
            $others = array_values(
                array_diff($this->kind === 'groups' ? array_keys($this->targets) : [...$free, ...array_keys($this->targets)], [
                    $thing['target'],
                ]),
            );
            // A wrong pair with points of its own says nothing of wrong ones.
            usort(
                $others,
                fn (int $a, int $b): int => $this->hasWorth($thing['identifier'], $a) <=> $this->hasWorth($thing['identifier'], $b),
            );

            return [
                'right' => $thing['target'] === null ? null : (string) $thing['target'],
                'wrong' => isset($others[0]) ? (string) $others[0] : null,
            ];
        }, $this->things);
    }

    private function hasWorth(string $thing, int $target): bool
    {
        return isset($this->declaration->mapping->entries[$thing . ' ' . $this->targets[$target]['identifier']]);
    }

    protected function tried(array $put): Tried
    {
        $pairs = $ours = [];
        foreach ($put as $thing => $target) {
            [$a, $b] = [$this->things[$thing]['identifier'], $this->targets[(int) $target]['identifier']];
            $pairs[] = $this->isTurned ? "$b $a" : "$a $b";
            $ours[(string) ($thing + 1)] = (string) ((int) $target + 1);
        }

        return new Tried(
            [$this->declaration->identifier => $this->declaration->value($pairs)],
            $ours === [] ? null : [$this->kind => $ours],
        );
    }

    protected function lossByMapping(): ?Ratio
    {
        $default = $this->declaration->mapping?->default;

        return $default?->isNegative() === true ? $default->negated() : null;
    }

    public function lines(Marking $marking, array $says = []): QuestionLines
    {
        $lines = new QuestionLines($this->kind, $this->stem, $this->line);
        $this->picture?->addTo($lines);
        match ($this->kind) {
            'pairs' => $this->pairs($lines, $marking),
            'groups' => $this->groups($lines, $marking),
            default => $this->place($lines, $marking),
        };

        return $lines;
    }

    private function pairs(QuestionLines $lines, Marking $marking): void
    {
        foreach ($this->things as $i => $thing) {
            $lines->add('pair', $thing['text'], [
                $lines->line('with', $this->targets[(int) $thing['target']]['text']),
                ...self::earnings($lines, $marking, $i),
            ]);
        }
        foreach (array_slice($this->targets, count($this->things)) as $spare) {
            $lines->add('spare with', $spare['text']);
        }
    }

    private function groups(QuestionLines $lines, Marking $marking): void
    {
        foreach ($this->targets as $g => $group) {
            $lines->add('group', $group['text']);
            foreach ($this->things as $i => $thing) {
                if ($thing['target'] === $g) {
                    $lines->add('item', $thing['text'], self::earnings($lines, $marking, $i));
                }
            }
        }
        foreach ($this->things as $i => $thing) {
            if ($thing['target'] === null) {
                $lines->add('spare item', $thing['text'], self::earnings($lines, $marking, $i, isSpare: true));
            }
        }
    }

    private function place(QuestionLines $lines, Marking $marking): void
    {
        foreach ($this->targets as $spot) {
            $lines->add('spot', $spot['text'], $spot['name'] === null ? [] : [$lines->line('name', $spot['name'])]);
        }
        foreach ($this->things as $i => $thing) {
            $isSpare = $thing['target'] === null;
            $below = [
                ...$isSpare ? [] : [$lines->line('at', (string) ($thing['target'] + 1))],
                ...self::earnings($lines, $marking, $i, $isSpare),
            ];
            $lines->add($isSpare ? 'spare label' : 'label', $thing['text'], $below);
        }
    }
}
