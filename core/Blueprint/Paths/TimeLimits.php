<?php

declare(strict_types=1);

namespace Zetema\Core\Blueprint\Paths;

use Zetema\Core\Blueprint\Section;
use Zetema\Core\Blueprint\Step\AskingStep;
use Zetema\Core\Blueprint\Step\DrawStep;
use Zetema\Core\Blueprint\Step\QuestionStep;
use Zetema\Core\Question\Question;
use Zetema\Core\Question\Settings\BankSettings;
use Zetema\Core\Question\Settings\Setting;

/**
 * How long a sitting may take at most: by the time of the whole; else by those of the sections on its path, a section without one by its
 * questions'.
 */
final readonly class TimeLimits
{
    /** @param \Closure(string): ?Question $question a fixed one, if it is whole */
    public function __construct(private Ways $ways, private \Closure $question, private ?BankSettings $bank = null)
    {
    }

    /**
     * @param list<int> $places the steps on a path
     *
     * @return int|null seconds; null: something on it has no limit
     */
    public function along(array $places): ?int
    {
        $whole = $this->ways->blueprint->rules->seconds();
        if ($whole !== null) {
            return $whole;
        }
        $sections = [];
        foreach ($places as $place) {
            [$section, $step] = $this->ways->steps[$place];
            $sections[$section->id] ??= $section->seconds ?? 0;
            if ($section->seconds === null && $step instanceof AskingStep) {
                $each = $this->each($section, $step);
                if ($each === null) {
                    return null;
                }
                $sections[$section->id] += $each * ($step instanceof DrawStep ? $step->draw->take : 1);
            }
        }

        return array_sum($sections);
    }

    /** As if one path led through all there is: no real one takes longer. */
    public function atMost(): ?int
    {
        return $this->along(array_keys($this->ways->steps));
    }

    /** Seconds for each question of a step, as far as the blueprint says so; null: none, or what the questions say. */
    private function each(Section $section, AskingStep $step): ?int
    {
        $fixed = $step instanceof QuestionStep ? ($this->question)($step->question) : null;
        if ($fixed !== null) {
            return $fixed->effective($this->bank, $step->settings, $section->settings, $this->ways->blueprint->settings)->seconds();
        }
        $time =
            $step->settings->get(Setting::Time) ??
            ($section->settings->get(Setting::Time) ?? $this->ways->blueprint->settings->get(Setting::Time));

        return $time === null || preg_match('/^(\d+) s$/D', $time, $m) !== 1 ? null : (int) $m[1];
    }
}
