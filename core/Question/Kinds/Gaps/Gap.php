<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Kinds\Gaps;

use Zetema\Core\Data\AuthorText as Texts;
use Zetema\Core\Data\Fields;
use Zetema\Core\Question\Answers\AnswerLine;
use Zetema\Core\Question\Answers\Part;
use Zetema\Core\Question\Answers\Wording;
use Zetema\Core\Question\Line;
use Zetema\Core\Question\Problems;
use Zetema\Core\Question\Settings\Share;

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
        return array_map(
            static fn (int $i): string => (string) ($i + 1),
            array_keys(array_filter($this->listed, static fn (array $c): bool => $c['key'])),
        );
    }

    /** @param non-empty-list<Line> $lines of the gap with this number */
    public static function read(int $n, array $lines, Problems $problems): self
    {
        $wordings = [];
        $listed = [];
        $earns = $loses = null;
        foreach ($lines as $i => $line) {
            foreach (['earns', 'loses'] as $word) {
                if ($line->child($word) !== null && ($i > 0 ? ($word === 'earns' ? $earns : $loses) !== null : false)) {
                    $problems->at($line, sprintf('`%s:` stands twice for gap %d', $word, $n));
                }
            }
            $earns ??= Part::pointsBelow($line, 'earns', $problems);
            $loses ??= Part::pointsBelow($line, 'loses', $problems);
            if ($line->has('which')) {
                $listed[] = ['text' => Texts::tidy($line->text), 'key' => $line->argument('which') === 'yes'];
            } else {
                $wordings[] = new Wording($line->text, Share::inLine($line, $problems), says: $line->child('says')?->text);
            }
        }
        if ($wordings !== [] && $listed !== []) {
            $problems->at(
                $lines[0],
                sprintf('gap %d is either typed (`gap %1$d:`) or picked from a list (`gap %1$d yes:`, `gap %1$d no:`), not both', $n),
            );
        }
        if (in_array('', array_map(static fn (Line $l): string => $l->text, $lines), true)) {
            $problems->at($lines[0], sprintf('gap %d has a line without text', $n));
        }

        return new self(new Part($n, 'gap ' . $n, [(string) $n], null, $earns, $loses), $wordings, $listed);
    }

    public static function fromData(Fields $data): self
    {
        $listed = array_map(
            static fn (Fields $c): array => ['text' => $c->text('text'), 'key' => $c->flag('key')],
            $data->objects('listed', optional: true),
        );

        return new self(
            Part::fromData($data->object('part')),
            array_map(Wording::fromData(...), $data->objects('wordings', optional: true)),
            $listed,
        );
    }

    /** @return array<string, mixed> */
    public function toData(): array
    {
        return [
            'part' => $this->part->toData(),
            ...$this->isTyped()
                ? ['wordings' => array_map(static fn (Wording $w): array => $w->toData(), $this->wordings)]
                : ['listed' => $this->listed],
        ];
    }

    /**
     * @param int $n its number in the stem
     *
     * @return list<Line> what it earns stands under the first
     */
    public function toLines(int $n): array
    {
        $lines = $this->isTyped()
            ? array_map(
                static fn (Wording $w): Line => Line::written(
                    'gap ' . $n . $w->share->inHead(),
                    $w->text,
                    $w->says === null ? [] : [Line::written('says', $w->says)],
                ),
                $this->wordings,
            )
            : array_map(static fn (array $c): Line => Line::written('gap ' . $n . ($c['key'] ? ' yes' : ' no'), $c['text']), $this->listed);
        if (isset($lines[0])) {
            $lines[0] = $lines[0]->withBelow([...$lines[0]->below, ...$this->part->pointLines()]);
        }

        return $lines;
    }

    /** What was given, as it is told. @param string $number of the gap */
    public function inWords(string $given, string $number): AnswerLine
    {
        return $this->isTyped()
            ? AnswerLine::typed($given, $number)
            : new AnswerLine($this->listed[(int) $given - 1]['text'], before: $number);
    }

    /** What is right. @param string $number of the gap */
    public function keyInWords(string $number): AnswerLine
    {
        $picked = array_map(fn (string $n): string => $this->listed[(int) $n - 1]['text'], $this->keys());

        return $this->isTyped()
            ? AnswerLine::typed($this->wordings[0]->text, $number)
            : new AnswerLine(implode(' or ', $picked), before: $number);
    }
}
