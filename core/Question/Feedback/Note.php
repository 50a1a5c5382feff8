<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Feedback;

use Zetema\Core\Data\AuthorText;
use Zetema\Core\Data\Fields;
use Zetema\Core\Question\InvalidQuestion;
use Zetema\Core\Question\Line;

/** Something said besides when its conditions are met: one of several sets, each of which must be met as a whole. */
final readonly class Note
{
    public string $text;

    /**
     * @param list<list<Condition>> $when joined by "or" outside and by "and" within
     *
     * @throws InvalidQuestion without a condition
     */
    public function __construct(public array $when, string $text)
    {
        $this->text = AuthorText::tidy($text);
        if ($when === [] || in_array([], $when, true)) {
            throw new InvalidQuestion('a note says when it is shown; choose a condition', 'note');
        }
    }

    /** @param list<int> $ids of the choices, in the order written */
    public static function fromData(Fields $data, array $ids): self
    {
        if ($data->has('choice')) {
            // as notes were stored before they took several conditions
            $attempt = $data->optionalInteger('attempt');
            $chosen = Condition::chosen($ids[$data->integer('choice') - 1] ?? $data->integer('choice'), $data->flag('chosen'));

            return new self([[$chosen, ...$attempt === null ? [] : [Condition::attempt($attempt)]]], $data->text('text'));
        }
        $when = [];
        foreach ($data->items('when') as $i => $all) {
            $when[] = array_map(
                static fn (Fields $condition): Condition => Condition::fromData($condition, $ids),
                Fields::of(['all' => $all], "when[$i]")->objects('all'),
            );
        }

        return new self($when, $data->text('text'));
    }

    /** @return array<string, mixed> */
    public function toData(): array
    {
        return [
            'when' => array_map(
                static fn (array $all): array => array_map(static fn (Condition $c): array => $c->toData(), $all),
                $this->when,
            ),
            'text' => $this->text,
        ];
    }

    public static function read(Line $line): self
    {
        $when = [];
        foreach (explode(' or ', $line->argument('when') ?? '') as $all) {
            preg_match_all('/' . Condition::PATTERN . '/', $all, $m);
            $when[] = array_map(Condition::ofWords(...), $m[0]);
        }

        return new self($when, $line->text);
    }

    /** @param list<int> $ids of the choices, in the order written */
    public function toLine(array $ids): Line
    {
        return Line::written('note when ' . $this->inWords($ids), $this->text);
    }

    /** @param list<int> $ids of the choices, in the order written */
    public function inWords(array $ids): string
    {
        $sets = [];
        foreach ($this->when as $all) {
            $words = '';
            foreach ($all as $i => $condition) {
                $attempt = $condition->holds && ($condition->attempt !== null || $condition->onLast);
                $words .= ($i === 0 ? '' : ($attempt ? ' ' : ' and ')) . $condition->inWords($ids);
            }
            $sets[] = $words;
        }

        return implode(' or ', $sets);
    }

    /** @return list<int> ids of the choices it speaks of */
    public function answers(): array
    {
        return array_values(
            array_filter(array_map(static fn (Condition $c): ?int => $c->answer, array_merge(...$this->when)), is_int(...)),
        );
    }

    /** @param list<int> $chosen ids of the choices made */
    public function isDue(array $chosen, Outcome $outcome, int $attempt, bool $last): bool
    {
        foreach ($this->when as $all) {
            $unmet = array_filter($all, static fn (Condition $c): bool => !$c->isMet($chosen, $outcome, $attempt, $last));
            if ($unmet === []) {
                return true;
            }
        }

        return false;
    }
}
