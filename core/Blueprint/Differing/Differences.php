<?php

declare(strict_types=1);

namespace Zetema\Core\Blueprint\Differing;

use Zetema\Core\Blueprint\Outcome\TallyTold;
use Zetema\Core\Data\Fields;
use Zetema\Core\Drawing\Stock\Pool;

/** In what two blueprints differ, both as documents that were read before: what was there stands under the same id. */
final class Differences
{
    /** Of the whole, what is only said to differ. */
    private const OTHERS = ['opening', 'closing', 'review', 'apart', 'shares'];
    /** Of a step, likewise. */
    private const DETAILS = ['refresher', 'leads', 'then', 'checkpoint', 'draw'];

    /** @var list<Difference> */
    private array $found = [];

    private function __construct()
    {
    }

    /** @return list<Difference> of the whole first, then in running order */
    public static function between(Fields $before, Fields $after): array
    {
        $self = new self();
        $self->value(DifferenceSort::Title, null, 'title', $before->text('title'), $after->text('title'));
        $self->words(DifferenceSort::Rule, null, self::map($before, 'rules'), self::map($after, 'rules'));
        $self->words(DifferenceSort::Setting, null, self::map($before, 'settings'), self::map($after, 'settings'));
        $self->pass(self::map($before, 'pass'), self::map($after, 'pass'));
        $self->words(DifferenceSort::Tally, null, self::tallies($before), self::tallies($after));
        $self->value(DifferenceSort::Order, null, 'sections', $before->text('order', 'as written'), $after->text('order', 'as written'));
        foreach (self::OTHERS as $part) {
            $self->other(null, $part, $before->raw()[$part] ?? [], $after->raw()[$part] ?? []);
        }
        $self->sections(self::byId($before->objects('sections')), self::byId($after->objects('sections')));

        return $self->found;
    }

    /**
     * @param array<array-key, mixed> $old
     * @param array<array-key, mixed> $new
     */
    private function pass(array $old, array $new): void
    {
        $mark = static fn (array $pass): ?string => match (true) {
            isset($pass['percent']) => self::text($pass['percent']) . ' %',
            isset($pass['points']) => self::text($pass['points']) . ' points',
            default => null,
        };
        $minimums = static fn (array $pass): array => array_reduce(
            Fields::of($pass)->objects('objectives', optional: true),
            static fn (array $all, Fields $one): array => [...$all, $one->text('objective') => $mark($one->raw())],
            [],
        );
        $this->value(DifferenceSort::PassMark, null, 'pass', $mark($old), $mark($new));
        $this->words(DifferenceSort::Minimum, null, $minimums($old), $minimums($new));
    }

    /**
     * @param array<string, Fields> $old
     * @param array<string, Fields> $new
     */
    private function sections(array $old, array $new): void
    {
        $this->order('sections', array_keys($old), array_keys($new));
        $before = self::stepsOf($old);
        $after = self::stepsOf($new);
        $this->order('steps', array_keys($before), array_keys($after));
        foreach ($new + $old as $id => $section) {
            $was = $old[$id] ?? null;
            $is = $new[$id] ?? null;
            $title = static fn (?Fields $one): ?string => $one?->text('title', '');
            $where = $section->text('title', '') === '' ? null : '“' . $section->text('title') . '”';
            $this->value(DifferenceSort::Section, null, 'section', $title($was), $title($is));
            if ($was !== null && $is !== null) {
                $this->words(
                    DifferenceSort::Rule,
                    $where,
                    ['time' => $was->optionalText('time')] + self::map($was, 'rules'),
                    ['time' => $is->optionalText('time')] + self::map($is, 'rules'),
                );
                $this->words(DifferenceSort::Setting, $where, self::map($was, 'settings'), self::map($is, 'settings'));
                $this->value(DifferenceSort::Order, $where, 'steps', $was->text('order', 'as written'), $is->text('order', 'as written'));
            }
            foreach ($is?->objects('steps') ?? [] as $step) {
                $this->step($before[$step->text('id')] ?? null, $step);
            }
        }
        foreach (array_diff_key($before, $after) as $gone) {
            $this->step($gone, null);
        }
    }

    private function step(?Fields $old, ?Fields $new): void
    {
        $was = $old === null ? null : self::inWords($old);
        $is = $new === null ? null : self::inWords($new);
        $this->value(DifferenceSort::Step, null, 'step', $was, $is);
        if ($old === null || $new === null) {
            return;
        }
        $this->words(DifferenceSort::Setting, $is, self::map($old, 'settings'), self::map($new, 'settings'));
        $this->words(DifferenceSort::Rule, $is, self::map($old, 'rules'), self::map($new, 'rules'));
        foreach (self::DETAILS as $part) {
            if ($part !== 'draw' || $was === $is) {
                $this->other($is, $part, $old->raw()[$part] ?? null, $new->raw()[$part] ?? null);
            }
        }
    }

    /**
     * @param list<array-key> $old
     * @param list<array-key> $new
     */
    private function order(string $what, array $old, array $new): void
    {
        if (array_values(array_intersect($old, $new)) !== array_values(array_intersect($new, $old))) {
            $this->found[] = new Difference(DifferenceSort::Order, null, $what);
        }
    }

    /**
     * @param array<array-key, mixed> $old values by words
     * @param array<array-key, mixed> $new
     */
    private function words(DifferenceSort $sort, ?string $where, array $old, array $new): void
    {
        foreach (array_keys($new + $old) as $word) {
            $this->value($sort, $where, (string) $word, self::text($old[$word] ?? null), self::text($new[$word] ?? null));
        }
    }

    private function value(DifferenceSort $sort, ?string $where, string $what, ?string $old, ?string $new): void
    {
        if ($old !== $new) {
            $this->found[] = new Difference($sort, $where, $what, $old, $new);
        }
    }

    private function other(?string $where, string $what, mixed $old, mixed $new): void
    {
        if (self::text($old) !== self::text($new)) {
            $this->found[] = new Difference(DifferenceSort::Other, $where, $what);
        }
    }

    private static function inWords(Fields $step): string
    {
        return match (true) {
            $step->has('page') => sprintf('page “%s”', $step->text('page')),
            $step->has('question') => sprintf('question “%s”', $step->text('question')),
            $step->has('draw') => sprintf(
                '%d of %s',
                $step->object('draw')->integer('take'),
                Pool::fromData($step->object('draw')->object('pool'))->inWords(),
            ),
            default => 'checkpoint',
        };
    }

    /** @return array<string, string> the bands of each tally, in words */
    private static function tallies(Fields $document): array
    {
        $told = [];
        foreach ($document->objects('tallies', optional: true) as $tally) {
            $told[$tally->text('name')] =
                implode(
                    ', ',
                    array_map(
                        static fn (Fields $band): string => trim(
                            sprintf(
                                '%s %s to %s',
                                $band->text('name'),
                                $band->optionalInteger('from') ?? '',
                                $band->optionalInteger('to') ?? '',
                            ),
                        ) . ($band->optionalText('page') === null ? '' : sprintf(' (page “%s”)', $band->text('page'))),
                        $tally->objects('bands', optional: true),
                    ),
                ) . self::told($tally->text('told', TallyTold::Value->value));
        }

        return $told;
    }

    private static function told(string $told): string
    {
        return match (TallyTold::from($told)) {
            TallyTold::Value => '',
            TallyTold::Band => '; candidates are told the name of its band alone',
            TallyTold::Never => '; candidates are told nothing of it',
        };
    }

    /**
     * @param list<Fields> $parts
     *
     * @return array<string, Fields>
     */
    private static function byId(array $parts): array
    {
        return array_combine(array_map(static fn (Fields $part): string => $part->text('id'), $parts), $parts);
    }

    /**
     * @param array<string, Fields> $sections
     *
     * @return array<string, Fields>
     */
    private static function stepsOf(array $sections): array
    {
        return self::byId(
            array_merge(...array_map(static fn (Fields $section): array => $section->objects('steps'), array_values($sections))),
        );
    }

    /** @return array<array-key, mixed> */
    private static function map(Fields $of, string $field): array
    {
        return $of->optionalObject($field)?->raw() ?? [];
    }

    /** A value in words; parts of it in one order, however they were written. */
    private static function text(mixed $value): ?string
    {
        if (is_array($value)) {
            if (!array_is_list($value)) {
                ksort($value);
            }

            return implode(
                ', ',
                array_map(
                    static fn (mixed $part, int|string $key): string => (is_int($key) ? '' : "$key ") .
                        (is_array($part) ? '(' . self::text($part) . ')' : self::text($part)),
                    $value,
                    array_keys($value),
                ),
            );
        }

        return match (true) {
            $value === null => null,
            is_bool($value) => $value ? 'yes' : 'no',
            default => is_scalar($value) ? (string) $value : '',
        };
    }
}
