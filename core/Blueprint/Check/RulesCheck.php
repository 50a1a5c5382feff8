<?php

declare(strict_types=1);

namespace Zetema\Core\Blueprint\Check;

use Zetema\Core\Blueprint\Blueprint;
use Zetema\Core\Blueprint\Reading\Refusal;
use Zetema\Core\Blueprint\Reading\Refusals;
use Zetema\Core\Blueprint\Rules\Rule;
use Zetema\Core\Question\Settings\Setting;
use Zetema\Core\Question\Settings\Settings;

/** Rules of the assessment and its sections that do not go together. */
final readonly class RulesCheck
{
    public function __construct(private Blueprint $blueprint, private Refusals $refusals)
    {
    }

    public function run(): void
    {
        $silent = false;
        $further = false;
        foreach ($this->blueprint->sections as $section) {
            $rules = $this->blueprint->rulesIn($section);
            if ($rules->sharesScreen() && self::timed($section->settings)) {
                $this->refusals->add($section->id, 'time', 'questions that share a screen cannot each have a time');
            }
            if ($rules->tellsBeforeTheEnd()) {
                continue;
            }
            $silent = true;
            if (self::several($section->settings)) {
                $this->refusals->add($section->id, 'attempts', 'there is one attempt where nothing is told before the end');
            }
            $further = $further || $section->settings->get(Setting::Attempts) === null;
        }
        if ($further && self::several($this->blueprint->settings)) {
            $this->refusals->add(Refusal::BLUEPRINT, 'attempts', 'there is one attempt where nothing is told before the end');
        }
        if ($silent && $this->blueprint->rules->flag(Rule::Score)) {
            $this->refusals->add(Refusal::BLUEPRINT, 'score', 'a running score would tell what a section does not tell before the end');
        }
        if ($silent && $this->blueprint->rules->dropsWhatIsOpen()) {
            $this->refusals->add(
                Refusal::BLUEPRINT,
                'runningOut',
                'where nothing is checked before the end, “unanswered” would throw the paper away',
            );
        }
    }

    /** Whether more than one attempt is set here. */
    public static function several(Settings $settings): bool
    {
        return ($settings->get(Setting::Attempts) ?? '1') !== '1';
    }

    /** Whether a time for each question is set here. */
    public static function timed(Settings $settings): bool
    {
        return ($settings->get(Setting::Time) ?? 'none') !== 'none';
    }
}
