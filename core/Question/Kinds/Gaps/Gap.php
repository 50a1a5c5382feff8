<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Kinds\Gaps;

use Zetema\Core\Data\Fields;
use Zetema\Core\Question\Answers\Part;
use Zetema\Core\Question\Answers\Wording;
use Zetema\Core\Question\Line;

/** One gap: either typed, with accepted wordings, or picked from a list of choices. */
final readonly class Gap
{
    /**
     * @param list<Wording> $wordings for a typed gap
     * @param list<array{text: string, key: bool}> $listed for a list gap, numbered from 1
     */
    public function __construct(public Part $part, public array $wordings, public array $listed)
    {
    }

    public function isTyped(): bool
    {
        return $this->listed === [];
    }

    /** @return list<string> numbers of the listed choices that are right */
    public function keys(): array
    {
        return array_map(static fn (int $i): string => (string) ($i + 1), array_keys(array_filter($this->listed, static fn (array $c): bool => $c['key'])));
    }

    public static function fromData(Fields $data): self
    {
        $listed = array_map(static fn (Fields $c): array => ['text' => $c->text('text'), 'key' => $c->flag('key')], $data->objects('listed', optional: true));

        return new self(Part::fromData($data->object('part')), array_map(Wording::fromData(...), $data->objects('wordings', optional: true)), $listed);
    }

    /** @return array<string, mixed> */
    public function toData(): array
    {
        return ['part' => $this->part->toData(), ...($this->isTyped() ? ['wordings' => array_map(static fn (Wording $w): array => $w->toData(), $this->wordings)] : ['listed' => $this->listed])];
    }

    /** @return list<Line> what it earns stands under the first */
    public function toLines(): array
    {
        $lines = $this->isTyped()
            ? array_map(fn (Wording $w): Line => Line::written('gap ' . $this->part->id . $w->share->inHead(), $w->text, $w->says === null ? [] : [Line::written('says', $w->says)]), $this->wordings)
            : array_map(fn (array $c): Line => Line::written('gap ' . $this->part->id . ($c['key'] ? ' yes' : ' no'), $c['text']), $this->listed);
        if (isset($lines[0])) {
            $lines[0] = $lines[0]->withBelow([...$lines[0]->below, ...$this->part->pointLines()]);
        }

        return $lines;
    }
}
