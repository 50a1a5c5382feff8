<?php

declare(strict_types=1);

namespace Zetema\Core\Blueprint;

use Zetema\Core\Blueprint\Outcome\ClosingPages;
use Zetema\Core\Blueprint\Outcome\PassRule;
use Zetema\Core\Blueprint\Outcome\ReviewRules;
use Zetema\Core\Blueprint\Outcome\Tally;
use Zetema\Core\Blueprint\Outcome\WishedShare;
use Zetema\Core\Blueprint\Rules\Rules;
use Zetema\Core\Blueprint\Step\Step;
use Zetema\Core\Question\Settings\Settings;

/** The plan of an assessment: its running order in sections, its rules, and what a sitting comes to. Format: docs/formats/blueprint.md. */
final readonly class Blueprint
{
    public const VERSION = 2;
    /** What a way may lead to, beside steps and sections. */
    public const END = 'end';
    public const NEXT = 'next';

    /**
     * @param Settings $settings for every question of it, where nothing nearer says otherwise
     * @param list<Tally> $tallies
     * @param list<Section> $sections
     * @param bool $isMixed whether sections stand in another order in each form
     * @param list<array{string, string}> $apart pairs of questions that never meet in a form
     * @param list<WishedShare> $shares of the points, as its author wishes them
     * @param string|null $opening the page that is read before the clock starts
     */
    public function __construct(
        public string $title,
        public Settings $settings,
        public Rules $rules,
        public ?PassRule $pass,
        public array $tallies,
        public array $sections,
        public ClosingPages $closing,
        public ReviewRules $review,
        public bool $isMixed,
        public array $apart,
        public array $shares = [],
        public ?string $opening = null,
    ) {
    }

    /** @return list<array{Section, Step}> in the order written */
    public function steps(): array
    {
        $steps = [];
        foreach ($this->sections as $section) {
            foreach ($section->steps as $step) {
                $steps[] = [$section, $step];
            }
        }

        return $steps;
    }

    /** What holds in a section, where it and the assessment say something. */
    public function rulesIn(Section $section): Rules
    {
        return $section->rules->over($this->rules);
    }
}
