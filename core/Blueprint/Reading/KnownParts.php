<?php

declare(strict_types=1);

namespace Zetema\Core\Blueprint\Reading;

/**
 * A blueprint's document without the questions that are not there: fixed ones are left out, draws take from what is left of their lists.
 */
final class KnownParts
{
    /** How many questions it named that are not there. */
    public int $missing = 0;

    /** @param \Closure(string): bool $has */
    public function __construct(private readonly \Closure $has)
    {
    }

    /** What has another shape is left as it is, to be refused. */
    public function of(mixed $document): mixed
    {
        if (is_array($document) && is_array($document['sections'] ?? null)) {
            $sections = array_map($this->section(...), array_values($document['sections']));
            $document['sections'] = array_values(
                array_filter($sections, static fn (mixed $section): bool => !is_array($section) || ($section['steps'] ?? null) !== []),
            );
        }

        return $document;
    }

    private function section(mixed $section): mixed
    {
        if (is_array($section) && is_array($section['steps'] ?? null)) {
            $section['steps'] = array_values(
                array_filter(array_map($this->step(...), $section['steps']), static fn (mixed $step): bool => $step !== null),
            );
        }

        return $section;
    }

    /** @return mixed null where nothing of it is there */
    private function step(mixed $step): mixed
    {
        if (is_array($step) && is_string($step['question'] ?? null)) {
            return $this->known($step['question']) ? $step : null;
        }
        if (
            is_array($step) &&
            is_array($step['draw'] ?? null) &&
            is_array($step['draw']['pool'] ?? null) &&
            is_array($step['draw']['pool']['only'] ?? null)
        ) {
            $only = array_values(
                array_filter($step['draw']['pool']['only'], fn (mixed $name): bool => !is_string($name) || $this->known($name)),
            );
            if ($only === []) {
                return null;
            }
            $step['draw']['pool']['only'] = $only;
            $step['draw']['take'] = is_int($step['draw']['take'] ?? null) ? min($step['draw']['take'], count($only)) : null;
        }

        return $step;
    }

    private function known(string $name): bool
    {
        $has = ($this->has)($name);
        $this->missing += $has ? 0 : 1;

        return $has;
    }
}
