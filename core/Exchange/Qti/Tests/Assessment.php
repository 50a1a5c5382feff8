<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Qti\Tests;

/** A test of the standard as it was read: its steps in running order, what holds while they are asked, where it leads. */
final readonly class Assessment
{
    /**
     * @param list<array<string, mixed>> $steps each {question} or {page} or {draw}, with points, attempts and time where they are said
     * @param array<string, string>|null $pass {points} or {percent}
     * @param array<string, mixed> $rules
     * @param list<array{title: string, steps: array{int, int}, seconds: int}> $timed parts with a time of their own, by their first and
     *   last steps, from 1
     * @param list<array{at: int, isBefore: bool, of: string, is: string, than: string, goTo: string|null, to: int}> $routes after a step,
     *   or before one; to: the step it leads to, from 1; one more than there are is the end
     * @param array<string, string> $closing names of pages, by "passed" and "not passed"
     */
    public function __construct(
        public string $name,
        public string $title,
        public array $steps,
        public ?array $pass,
        public array $rules,
        public array $timed,
        public array $routes,
        public array $closing,
    ) {
    }

    /** @return array<string, mixed> as docs/formats/packages.md has it */
    public function toData(): array
    {
        return [
            'name' => $this->name,
            'title' => $this->title,
            'blueprint' => ['steps' => $this->steps, ...$this->pass === null ? [] : ['pass' => $this->pass]],
            'rules' => (object) $this->rules,
            'sections' => $this->timed,
            'routes' => array_map(
                static fn (array $r): array => [
                    $r['isBefore'] ? 'before' : 'after' => $r['at'],
                    'of' => $r['of'],
                    'is' => $r['is'],
                    'than' => $r['than'],
                    ...$r['goTo'] === null ? [] : ['goTo' => $r['goTo']],
                ],
                $this->routes,
            ),
            'closing' => (object) $this->closing,
        ];
    }
}
