<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\TypedPaper;

use Zetema\Core\Exchange\Written\Blanks;
use Zetema\Core\Exchange\Written\ChoiceCount;
use Zetema\Core\Exchange\Written\ChoiceKey;
use Zetema\Core\Exchange\Written\PointsSaid;
use Zetema\Core\Exchange\Written\QuestionLines;
use Zetema\Core\Exchange\Written\TypedAnswer;
use Zetema\Core\Question\Problem;
use Zetema\Core\Question\Question;

/** What a question of a paper comes to: its kind and key, with why; or the problems that keep it from being whole. */
final class Composition
{
    public ?Question $question = null;
    /** @var list<Problem> */
    public array $problems = [];
    /** @var list<string> */
    private array $why;
    private readonly Body $body;
    private readonly int $line;

    public function __construct(private readonly Draft $draft)
    {
        $this->body = new Body($draft);
        $this->line = $draft->opening->number;
        $this->why = $draft->why;
        if (
            $draft->listProblem !== null &&
            $this->body->answers === [] &&
            $draft->held === null &&
            Choices::marked($this->body->choices) === []
        ) {
            $this->problem($this->line, $draft->listProblem);
        }
        $this->compose();
        if ($this->body->hasPicture) {
            $this->why[] = 'a picture was left out';
        }
    }

    private function compose(): void
    {
        $lines = $this->problems === [] ? $this->lines() : null;
        if ($lines === null) {
            return;
        }
        $this->addRest($lines);
        $made = $this->problems === [] ? $lines->make($this->draft->objective) : [];
        $made instanceof Question ? ($this->question = $made) : array_push($this->problems, ...$made);
    }

    public function why(): string
    {
        return implode('; ', array_filter($this->why, static fn (string $why): bool => $why !== ''));
    }

    private function lines(): ?QuestionLines
    {
        $body = $this->body;
        $twice = array_diff_key($body->choices, array_unique(array_map(static fn (Choice $c): string => $c->letter, $body->choices)));
        foreach ($twice as $choice) {
            $this->problem($choice->line->number, sprintf('the letter %s stands twice in this question', $choice->letter));
        }
        if ($twice !== []) {
            return null;
        }
        if ($this->draft->isMatching) {
            return $this->matching();
        }
        if ($body->isOrder && ($body->choices !== [] || $body->numbered !== [])) {
            return $this->ordering();
        }
        $claim = ClaimReading::of($body, $this->draft);
        if ($claim !== null) {
            return $this->claim($claim);
        }

        return $body->choices !== [] ? $this->choices() : $this->typed();
    }

    private function matching(): ?QuestionLines
    {
        $found = Matching::of($this->body);
        if ($found instanceof Problem) {
            $this->problems[] = $found;

            return null;
        }
        $this->why[] = $found->why;
        $lines = new QuestionLines('pairs', $this->body->stem->markdown(dropWhole: true), $this->line);
        foreach ($found->pairs as [$left, $right]) {
            $lines->add('pair', $left, [$lines->line('with', $right)]);
        }
        foreach ($found->spares as $spare) {
            $lines->add('spare with', $spare);
        }

        return $lines;
    }

    private function ordering(): ?QuestionLines
    {
        $items = Ordering::of($this->body);
        if ($items instanceof Problem) {
            $this->problems[] = $items;

            return null;
        }
        $this->why[] = 'in the order that the key gives';
        $lines = new QuestionLines('order', $this->body->stem->markdown(dropWhole: true), $this->line);
        foreach ($items as $item) {
            $lines->add('item', $item);
        }

        return $lines;
    }

    private function claim(ClaimReading $claim): ?QuestionLines
    {
        if ($claim->problem !== null) {
            $this->problem($claim->problem[1], $claim->problem[0]);

            return null;
        }
        $this->why[] = $claim->why;

        return new QuestionLines($claim->holds ? 'true' : 'false', Blanks::in($claim->stem->markdown(dropWhole: true)), $this->line);
    }

    private function choices(): ?QuestionLines
    {
        $body = $this->body;
        $letters = array_map(static fn (Choice $c): string => $c->letter, $body->choices);
        if ($letters !== array_slice(range('A', 'Z'), 0, count($letters))) {
            $this->why[] = 'letters ' . implode(', ', $letters);
        }
        $keys = $this->keys($letters);
        if ($keys === null) {
            return null;
        }
        $stem = $body->stem->markdown(dropWhole: true);
        [$sort, $choose] = ChoiceCount::of($stem, count($keys[0]));
        if ($choose !== null && $choose !== count($keys[0])) {
            $this->problem($keys[1], sprintf('the stem asks for %d, the key names %d', $choose, count($keys[0])));

            return null;
        }
        $lines = new QuestionLines($sort, Blanks::in($stem), $this->line);
        foreach ($body->choices as $i => $choice) {
            $says = array_column(array_filter($body->feedback, static fn (array $f): bool => $f['to'] === $choice->letter), 'text');
            $lines->add(
                in_array($i, $keys[0], true) ? 'yes' : 'no',
                $choice->text->markdown(dropWhole: true),
                $says === [] ? [] : [$lines->line('says', implode("\n", $says))],
            );
        }
        if ($choose !== null) {
            $lines->add('choose', (string) $choose);
        }

        return $lines;
    }

    /**
     * @param list<string> $letters
     *
     * @return array{list<int>, int}|null the keys, and the line that the last source of them stands at
     */
    private function keys(array $letters): ?array
    {
        $body = $this->body;
        $found = [];
        $marked = Choices::marked($body->choices);
        if ($marked !== []) {
            $found[] = [$marked, $body->choices[$marked[0]]->line->number, 'marked'];
        }
        $texts = array_map(static fn (Choice $c): string => $c->text->markdown(dropWhole: true), $body->choices);
        $said = array_map(static fn (array $a): array => [$a['text'], $a['line'], 'the answer at line ' . $a['line']], $body->answers);
        if ($this->draft->held !== null) {
            $said[] = [$this->draft->held, $this->line, 'held before the number'];
        }
        if ($this->draft->listed !== null) {
            $said[] = [$this->draft->listed[0], $this->draft->listed[1], 'the list at line ' . $this->draft->listed[1]];
        }
        foreach ($said as [$text, $line, $why]) {
            $key = ChoiceKey::read(trim(preg_replace('/\.$/', '', $text) ?? ''), $letters, $texts);
            if (is_string($key)) {
                $this->problem($line, $key);

                return null;
            }
            $found[] = [$key, $line, $why];
        }
        if ($found === []) {
            $this->problem($this->line, 'key missing: nothing marks what is right');

            return null;
        }
        usort($found, static fn (array $a, array $b): int => $a[1] <=> $b[1]);
        foreach ($found as [$key, $line, $why]) {
            if ($key !== $found[0][0]) {
                $this->problem($line, sprintf('%s names another key than %s', $why, $found[0][2]));

                return null;
            }
        }
        $this->why[] = sprintf(
            'key %s: %s',
            implode(', ', array_map(static fn (int $i): string => $letters[$i], $found[0][0])),
            implode(', ', array_column($found, 2)),
        );

        return [$found[0][0], $marked !== [] && count($found) === 1 ? $this->line : $found[count($found) - 1][1]];
    }

    private function typed(): ?QuestionLines
    {
        $body = $this->body;
        $answers = $body->answers;
        $source = 'the answer at line ' . ($answers[0]['line'] ?? (array_values($body->toBlanks)[0]['line'] ?? 0));
        if ($answers === [] && $body->toBlanks === []) {
            foreach (
                [
                    'held before the number' => $this->draft->held === null ? null : [$this->draft->held, $this->line],
                    'the list' => $this->draft->listed,
                ] as $from => $other
            ) {
                if ($other !== null) {
                    $answers[] = ['text' => trim(preg_replace('/\.$/', '', $other[0]) ?? ''), 'line' => $other[1]];
                    $source = $from . ' at line ' . $other[1];
                }
            }
        } elseif (
            $this->draft->listed !== null &&
            $answers !== [] &&
            mb_strtolower($this->draft->listed[0]) !== mb_strtolower($answers[0]['text'])
        ) {
            $this->problem(
                $this->draft->listed[1],
                sprintf(
                    'the list of keys says “%s”, the answer at line %d “%s”',
                    $this->draft->listed[0],
                    $answers[0]['line'],
                    $answers[0]['text'],
                ),
            );

            return null;
        }
        $typed = TypedAnswer::of(Blanks::in($body->stem->markdown(dropWhole: true)), $answers, $body->toBlanks, $this->line);
        array_push($this->problems, ...$typed->problems);
        $this->why[] = $typed->lines === null ? '' : $typed->lines->opening . ': ' . $source;
        $this->why[] = $typed->why;

        return $typed->lines;
    }

    private function addRest(QuestionLines $lines): void
    {
        $points = [];
        foreach ($this->body->points as ['text' => $text, 'line' => $line]) {
            $decimal = PointsSaid::decimal(preg_replace('/\s*' . PointsSaid::WORD . '$/ui', '', $text) ?? '');
            if ($decimal === null) {
                $this->problem($line, sprintf('“%s” are no points; a number from 0.01 to 1,000 would be right', $text));
            } elseif ($points !== [] && $points[0] !== $decimal) {
                $this->problem($line, sprintf('the points are %s and %s', $points[0], $decimal));
            } else {
                $points = [$decimal];
            }
        }
        $points = $points === [] ? $this->draft->each : $points[0];
        if ($points !== null) {
            $lines->add('points', $points);
        }
        foreach ($this->body->hints as $hint) {
            $lines->add('hint', $hint);
        }
        foreach (FeedbackLines::add($this->body, $lines) as $problem) {
            $this->problem($this->line, $problem);
        }
    }

    private function problem(int $line, string $message): void
    {
        $this->problems[] = new Problem($line, 1, $message);
    }
}
