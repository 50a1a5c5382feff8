<?php

declare(strict_types=1);

namespace Zetema\Core\Blueprint\Reading;

use Zetema\Core\Blueprint\Rules\RefresherRule;
use Zetema\Core\Blueprint\Rules\RoundStands;
use Zetema\Core\Blueprint\Rules\Rule;
use Zetema\Core\Blueprint\Rules\Rules;
use Zetema\Core\Question\Settings\InvalidSetting;
use Zetema\Core\Question\Settings\Setting;
use Zetema\Core\Question\Settings\Settings;

/** Reads settings and rules, which stand at several places of a blueprint. */
final class RuleReader
{
    private const SETTINGS = [
        Setting::Points,
        Setting::Graded,
        Setting::Attempts,
        Setting::AttemptCosts,
        Setting::Stands,
        Setting::WrongCosts,
        Setting::BlankCosts,
        Setting::HintCosts,
        Setting::WrongPartCosts,
        Setting::Floor,
        Setting::Late,
        Setting::Time,
        Setting::Shuffle,
        Setting::Decimals,
    ];

    public function settings(Shape $shape): Settings
    {
        $settings = Settings::none();
        foreach ($shape->fields() as $word) {
            $setting = Setting::tryFrom($word);
            $value = $shape->raw($word);
            if ($setting === null || !in_array($setting, self::SETTINGS, true)) {
                $shape->wrong($word, 'is no setting of an assessment');
            } elseif (!is_string($value)) {
                $shape->wrong($word, 'must be a text');
            } else {
                try {
                    $settings = $settings->with($setting, $value);
                } catch (InvalidSetting $e) {
                    $shape->wrong($word, $e->getMessage());
                }
            }
        }

        return $settings;
    }

    public function ofAssessment(Shape $shape): Rules
    {
        return $this->rules($shape, Rule::cases());
    }

    public function ofSection(Shape $shape): Rules
    {
        return $this->rules($shape, array_filter(Rule::cases(), static fn (Rule $rule): bool => $rule->isOfSections()));
    }

    public function ofStep(Shape $shape): Rules
    {
        return $this->rules($shape, array_filter(Rule::cases(), static fn (Rule $rule): bool => $rule->isOfSteps()));
    }

    /** @param array<int, Rule> $allowed */
    private function rules(Shape $shape, array $allowed): Rules
    {
        $shape->only(...array_map(static fn (Rule $rule): string => $rule->value, array_values($allowed)));
        $values = [];
        foreach ($allowed as $rule) {
            if ($rule !== Rule::Refresher && $shape->has($rule->value)) {
                $value = $this->value($shape, $rule);
                $values += $value === null ? [] : [$rule->value => $value];
            }
        }

        return new Rules(
            $values,
            $shape->has(Rule::Refresher->value)
                ? $this->refresher($shape->object(Rule::Refresher->value), ...['rounds', 'stands', 'clock', 'time'])
                : new RefresherRule(),
        );
    }

    private function value(Shape $shape, Rule $rule): string|bool|int|null
    {
        $facts = $rule->facts();

        return match (true) {
            $facts->isFlag() => $shape->flag($rule->value, false),
            $facts->values !== [] => $shape->word($rule->value, array_map(strval(...), array_keys($facts->values))),
            $rule === Rule::Sittings => $this->sittings($shape),
            default => $shape->raw($rule->value) === 'none' ? null : $shape->seconds($rule->value),
        };
    }

    private function sittings(Shape $shape): string|int
    {
        $value = $shape->raw(Rule::Sittings->value);
        if ($value === 'unlimited' || (is_int($value) && $value > 0)) {
            return $value;
        }
        $shape->wrong(Rule::Sittings->value, 'must be a number from 1, or “unlimited”');

        return 1;
    }

    /** What is said about refreshers. */
    public function refresher(Shape $shape, string ...$fields): RefresherRule
    {
        $shape->only(...$fields);
        $rounds = $shape->optionalInteger('rounds');
        if ($rounds !== null && $rounds < 1 && is_int($shape->raw('rounds'))) {
            $shape->wrong('rounds', 'must be 1 or above; drop the refresher if there is to be none', 'refresher');
        }

        return new RefresherRule(
            $rounds,
            $shape->has('stands') ? RoundStands::from($shape->word('stands', array_column(RoundStands::cases(), 'value'))) : null,
            $shape->has('clock') ? $shape->word('clock', ['stops', 'runs on']) === 'runs on' : null,
            $shape->has('time') ? $shape->word('time', ['goes on', 'afresh']) === 'afresh' : null,
        );
    }
}
