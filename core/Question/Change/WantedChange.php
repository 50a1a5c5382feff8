<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Change;

use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Question\Difficulty;
use Zetema\Core\Question\Feedback\Outcome;
use Zetema\Core\Question\Kinds\KindId;
use Zetema\Core\Question\Question;
use Zetema\Core\Question\Settings\BankSettings;
use Zetema\Core\Question\Settings\InvalidSetting;
use Zetema\Core\Question\Settings\Setting;

/**
 * What is wanted of many questions at once: only what was chosen. Where a question cannot take it, or has it already, it stays as
 * it is and says why; a question that was whole stays whole.
 */
final readonly class WantedChange
{
    /** What makes sense for many; a key, a unit, a refresher belong to one question. */
    public const SETTINGS = [
        Setting::Points,
        Setting::Marking,
        Setting::WrongPartCosts,
        Setting::WrongCosts,
        Setting::BlankCosts,
        Setting::HintCosts,
        Setting::Attempts,
        Setting::AttemptCosts,
        Setting::Stands,
        Setting::Floor,
        Setting::Late,
        Setting::Time,
        Setting::Shuffle,
        Setting::Layout,
        Setting::Ignore,
        Setting::Typos,
        Setting::Graded,
        Setting::Decimals,
        Setting::Clicks,
        Setting::Areas,
        Setting::How,
    ];
    /** What a question earns or loses; of no effect where nothing is judged. */
    private const REWARDS = [
        Setting::Points,
        Setting::WrongPartCosts,
        Setting::WrongCosts,
        Setting::BlankCosts,
        Setting::HintCosts,
        Setting::AttemptCosts,
        Setting::Floor,
    ];
    private const AS_THE_BANK = 'as the bank has it';
    private const HAS_IT = 'has it already';

    /**
     * @param array<string, string|null> $settings canonical values by word; null: the question no longer says it
     * @param array<string, array<string, string|null>> $byKind those for one kind
     * @param list<string>|null $objective
     * @param array<string, string> $feedback by outcome; empty: none
     * @param list<string> $addTags
     * @param list<string> $dropTags
     */
    private function __construct(
        private array $settings,
        private array $byKind,
        private ?array $objective,
        private array $addTags,
        private array $dropTags,
        private ?string $difficulty,
        private array $feedback,
        private ?Replacement $replacement,
    ) {
    }

    /** @throws Malformed|InvalidSetting if a value does not go there */
    public static function of(Fields $data): self
    {
        $data->only('settings', 'byKind', 'objective', 'addTags', 'dropTags', 'difficulty', 'feedback', 'replace', 'status');
        $byKind = [];
        foreach (array_keys($data->optionalObject('byKind')?->raw() ?? []) as $kind) {
            $id = KindId::tryFrom((string) $kind) ?? throw new Malformed('byKind', sprintf('there is no kind “%s”', $kind));
            $byKind[$id->value] = self::settings($data->object('byKind')->object($id->value));
        }
        $objective = $data->optionalText('objective');
        $difficulty = $data->optionalText('difficulty');
        if ($difficulty !== null && $difficulty !== '' && Difficulty::tryFrom($difficulty) === null) {
            throw new Malformed(
                'difficulty',
                sprintf('“%s” is none; %s would be', $difficulty, implode(', ', array_column(Difficulty::cases(), 'value'))),
            );
        }
        $feedback = [];
        foreach ($data->has('feedback') ? $data->textMap('feedback') : [] as $outcome => $text) {
            $feedback[
                (Outcome::tryFrom($outcome) ?? throw new Malformed('feedback', sprintf('there is no outcome “%s”', $outcome)))->value
            ] = trim($text);
        }

        return new self(
            self::settings($data->optionalObject('settings') ?? Fields::of([])),
            $byKind,
            $objective === null
                ? null
                : array_values(
                    array_filter(array_map(trim(...), explode('>', $objective)), static fn (string $name): bool => $name !== ''),
                ),
            self::tags($data, 'addTags'),
            self::tags($data, 'dropTags'),
            $difficulty,
            $feedback,
            $data->has('replace') ? Replacement::of($data->object('replace')) : null,
        );
    }

    /** @return list<string>|null the objective that questions go to */
    public function objective(): ?array
    {
        return $this->objective;
    }

    /** What is wanted, for a bank's history. */
    public function inWords(): string
    {
        $words = [];
        foreach (['' => $this->settings, ...$this->byKind] as $kind => $settings) {
            foreach ($settings as $word => $value) {
                $words[] = sprintf('%s%s: %s', $kind === '' ? '' : $kind . ' ', $word, $value ?? self::AS_THE_BANK);
            }
        }
        $words[] = $this->objective === null ? '' : 'objective: ' . ($this->objective === [] ? 'none' : implode(' > ', $this->objective));
        $words[] = $this->addTags === [] ? '' : 'tagged ' . implode(', ', $this->addTags);
        $words[] = $this->dropTags === [] ? '' : 'no longer tagged ' . implode(', ', $this->dropTags);
        $words[] = $this->difficulty === null ? '' : 'difficulty: ' . ($this->difficulty === '' ? 'none' : $this->difficulty);
        $words[] = $this->feedback === [] ? '' : 'what is said when ' . implode(', ', array_keys($this->feedback));
        $words[] = $this->replacement?->inWords() ?? '';

        return implode(', ', array_filter($words, static fn (string $part): bool => $part !== ''));
    }

    /**
     * @param array<string, mixed> $content the question's stored form
     * @param list<string> $objective where it stands
     * @param bool $wasWhole what is not whole yet may stay so
     */
    public function to(array $content, ?string $name, array $objective, BankSettings $bank, bool $wasWhole): Changed
    {
        $run = new ChangeRun($content, $name, $objective, $bank, $wasWhole);
        $kind = $run->kind();
        $settings = [...$this->settings, ...$this->byKind[$kind->value] ?? []];
        // In the order of the settings: some make sense only after others, as costs of attempts after several attempts.
        foreach (Setting::cases() as $setting) {
            if (array_key_exists($setting->value, $settings)) {
                $this->setting($run, $kind, $setting, $settings[$setting->value]);
            }
        }
        if ($this->objective !== null) {
            $run->moveTo($this->objective);
        }
        if ($this->addTags !== [] || $this->dropTags !== []) {
            $tags = $run->tags();
            $run->set('tags', 'tags', $tags, array_values(array_unique([...array_diff($tags, $this->dropTags), ...$this->addTags])));
        }
        if ($this->difficulty !== null) {
            $run->set('difficulty', 'difficulty', $run->text('difficulty'), $this->difficulty === '' ? null : $this->difficulty);
        }
        foreach ($this->feedback as $outcome => $text) {
            $run->say(Outcome::from($outcome), $text);
        }
        if ($this->replacement !== null) {
            $run->replace($this->replacement);
        }

        return $run->result();
    }

    private function setting(ChangeRun $run, KindId $kind, Setting $setting, ?string $value): void
    {
        $why = match (true) {
            $value !== null && !Question::kindTakes($kind, $setting, $value) => sprintf(
                'a question of kind %s has no “%s”',
                $kind->value,
                $setting === Setting::Marking ? 'marking: ' . $value : $setting->value,
            ),
            in_array($setting, $kind->facts()->notFromEvery, true) && !array_key_exists($setting->value, $this->byKind[$kind->value] ?? []) => $kind->value . 's stay as written unless you say so',
            $value !== null &&
                in_array($setting, self::REWARDS, true) &&
                (!$kind->facts()->isJudged || $run->effective(Setting::Key) === 'none') => 'it is recorded only, and earns nothing',
            $setting === Setting::Points && $value !== null && $run->effective(Setting::Marking) === 'weighed' => 'weighed: its points stand at its answers',
            $value === null && $run->own($setting) === null, $value !== null && $run->effective($setting) === $value => self::HAS_IT,
            default => null,
        };
        $why === null ? $run->setting($setting, $value) : $run->stays($setting->value, $why);
    }

    /** @return array<string, string|null> */
    private static function settings(Fields $data): array
    {
        $settings = [];
        foreach ($data->raw() as $word => $value) {
            $setting = Setting::tryFrom((string) $word);
            if ($setting === null || !in_array($setting, self::SETTINGS, true)) {
                throw new Malformed((string) $word, 'cannot be changed for many questions at once');
            }
            try {
                $settings[$setting->value] = $value === null ? null : $setting->canonical($data->text((string) $word));
            } catch (InvalidSetting $e) {
                throw new Malformed($setting->value, $e->getMessage());
            }
        }

        return $settings;
    }

    /** @return list<string> */
    private static function tags(Fields $data, string $field): array
    {
        $tags = array_values(
            array_filter(array_map(trim(...), $data->texts($field, optional: true)), static fn (string $tag): bool => $tag !== ''),
        );
        foreach ($tags as $tag) {
            if (mb_strlen($tag) > 80 || str_contains($tag, ',')) {
                throw new Malformed($field, sprintf('“%s” is no tag: up to 80 characters, no comma', mb_substr($tag, 0, 90)));
            }
        }

        return $tags;
    }
}
