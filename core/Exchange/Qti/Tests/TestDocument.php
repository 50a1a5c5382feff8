<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Qti\Tests;

/** A test of the standard as a whole blueprint (docs/formats/sitting.md), questions and pages by their names. */
final class TestDocument
{
    private const END = 'end';
    private const SHOWN = 'marked paper';
    private const SHOWN_WITH_KEY = 'marked paper with key and feedback';

    /** @var list<string> what of it cannot be said there, in words */
    public array $left = [];
    /** @var array<string, mixed> */
    public readonly array $document;

    /** @param bool $withRoutes false: as if it led nowhere but to what follows */
    public function __construct(private readonly Assessment $test, private readonly bool $withRoutes = true)
    {
        $review = [['rung' => ($test->rules['showsKey'] ?? false) === true ? self::SHOWN_WITH_KEY : self::SHOWN]];
        $closing = array_filter(
            ['passed' => $test->closing['passed'] ?? null, 'notPassed' => $test->closing['not passed'] ?? null],
            is_string(...),
        );
        $this->document = [
            'v' => 2,
            'title' => $this->title(),
            'rules' => $this->rules(),
            ...$test->pass === null ? [] : ['pass' => $test->pass],
            'sections' => $this->sections(),
            ...$closing === [] ? [] : ['closing' => $closing],
            'review' => ($test->rules['review'] ?? '') === 'nothing' ? [] : ['passed' => $review, 'notPassed' => $review],
        ];
    }

    public function title(): string
    {
        return mb_substr($this->test->title === '' ? $this->test->name : $this->test->title, 0, 160);
    }

    /** Whether it leads anywhere but to what follows. */
    public function hasRoutes(): bool
    {
        return $this->test->routes !== [] && !$this->isAnyOrder();
    }

    private function isAnyOrder(): bool
    {
        return ($this->test->rules['moving'] ?? '') === 'any order';
    }

    private function tellsAtOnce(): bool
    {
        return ($this->test->rules['tellsAtOnce'] ?? true) === true;
    }

    /** @return array<string, mixed> */
    private function rules(): array
    {
        $rules = $this->test->rules;

        return [
            ...is_int($rules['seconds'] ?? null) ? ['time' => $rules['seconds'] . ' s'] : [],
            'moving' => $this->isAnyOrder() ? 'any order' : 'forward only',
            'feedback' => $this->tellsAtOnce() ? 'after each attempt' : 'at the end',
            ...($rules['mayLeaveBlank'] ?? true) === false ? ['mustAnswer' => true] : [],
            ...($rules['showsKey'] ?? false) === true ? ['key' => true] : [],
        ];
    }

    /** @return list<array<string, mixed>> cut where parts with a time of their own begin and end */
    private function sections(): array
    {
        $timed = $this->timed();
        $sections = [];
        $open = null;
        foreach ($this->test->steps as $i => $step) {
            $part =
                array_values(
                    array_filter($timed, static fn (array $one): bool => $one['steps'][0] <= $i + 1 && $one['steps'][1] > $i),
                )[0] ?? null;
            if ($sections === [] || $part !== $open) {
                $open = $part;
                $sections[] = [
                    'id' => 'part-' . (count($sections) + 1),
                    ...$part === null ? [] : ['title' => $part['title'], 'time' => $part['seconds'] . ' s'],
                    'steps' => [],
                ];
            }
            $last = array_key_last($sections);
            array_push(
                $sections[$last]['steps'],
                ...$this->checkpoints($i + 1, true),
                ...[$this->step((string) ($i + 1), $step)],
                ...$this->checkpoints($i + 1, false),
            );
        }

        return $sections;
    }

    /** @return list<array{title: string, steps: array{int, int}, seconds: int}> those that hold no other with a time */
    private function timed(): array
    {
        $all = array_values(array_filter($this->test->timed, static fn (array $one): bool => $one['steps'][1] >= $one['steps'][0]));
        $inner = [];
        foreach ($all as $i => $one) {
            foreach ($all as $j => $other) {
                if (
                    $i !== $j &&
                    $other['steps'][0] >= $one['steps'][0] &&
                    $other['steps'][1] <= $one['steps'][1] &&
                    ($other['steps'] !== $one['steps'] || $j < $i)
                ) {
                    $this->left[] = sprintf('timeLimits of “%s”, in which others have a time of their own', $one['title']);
                    continue 2;
                }
            }
            $inner[] = $one;
        }

        return $inner;
    }

    /**
     * @param array<string, mixed> $said
     *
     * @return array<string, mixed>
     */
    private function step(string $id, array $said): array
    {
        $settings = array_intersect_key($said, ['points' => true, 'attempts' => true, 'time' => true]);
        $draw = $said['draw'] ?? null;
        if (is_array($draw) && isset($draw['points'])) {
            $settings['points'] = $draw['points'];
            unset($draw['points']);
        }
        if (!$this->tellsAtOnce() && isset($settings['attempts'])) {
            $this->left[] = sprintf('maxAttempts at step %s: nothing is told before the end, so each question has one', $id);
            unset($settings['attempts']);
        }

        return [
            'id' => $id,
            ...array_intersect_key($said, ['question' => true, 'page' => true]),
            ...$draw === null ? [] : ['draw' => $draw],
            ...$settings === [] ? [] : ['settings' => $settings],
        ];
    }

    /**
     * Where the way divides at a step: what stands before it is passed over unless all its conditions hold; after it the first that holds
     * leads on.
     *
     * @return list<array<string, mixed>> one checkpoint or none
     */
    private function checkpoints(int $step, bool $isBefore): array
    {
        $routes = array_values(
            array_filter($this->test->routes, static fn (array $r): bool => $r['at'] === $step && $r['isBefore'] === $isBefore),
        );
        if ($routes === []) {
            return [];
        }
        if ($this->isAnyOrder() || !$this->withRoutes) {
            $this->left[] = sprintf(
                '%s at step %d%s',
                $isBefore ? 'preCondition' : 'branchRule',
                $step,
                $this->isAnyOrder() ? ', which leads nowhere where one moves in any order' : '',
            );

            return [];
        }
        $when = static fn (array $r): array => [
            'points' => $r['of'] === 'all' ? 'all' : ['questions' => [$r['of']]],
            'is' => $r['is'],
            'value' => $r['than'],
        ];
        $checkpoint = $isBefore
            ? [
                'routes' => [['when' => count($routes) === 1 ? $when($routes[0]) : ['all' => array_map($when, $routes)], 'to' => 'next']],
                'otherwise' => $this->place(max(array_column($routes, 'to'))),
            ]
            : ['routes' => array_map(fn (array $r): array => ['when' => $when($r), 'to' => $this->place($r['to'])], $routes)];

        return [['id' => ($isBefore ? 'before-' : 'after-') . $step, 'checkpoint' => $checkpoint]];
    }

    private function place(int $step): string
    {
        return match (true) {
            $step > count($this->test->steps) => self::END,
            array_filter($this->test->routes, static fn (array $r): bool => $r['at'] === $step && $r['isBefore']) !== [] => 'before-' .
                $step,
            default => (string) $step,
        };
    }
}
