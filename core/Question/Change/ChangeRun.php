<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Change;

use Zetema\Core\Data\Fields;
use Zetema\Core\Question\Feedback\Outcome;
use Zetema\Core\Question\InvalidQuestion;
use Zetema\Core\Question\Kinds\KindId;
use Zetema\Core\Question\Question;
use Zetema\Core\Question\Settings\BankSettings;
use Zetema\Core\Question\Settings\EffectiveSettings;
use Zetema\Core\Question\Settings\InvalidSetting;
use Zetema\Core\Question\Settings\Setting;
use Zetema\Core\Question\Settings\Settings;
use Zetema\Core\Question\Sketch;

/**
 * One question on its way through a change of many. All parts of the change are tried together; if the question would not be whole
 * then, each by itself, and what would keep it from being whole stays.
 */
final class ChangeRun
{
    private readonly Sketch $before;
    private readonly ?EffectiveSettings $effective;
    /** @var array<string, string> what the question itself sets, with the parts so far */
    private array $settings;
    /** @var list<string>|null */
    private ?array $goes = null;
    /**
     * @var list<array{change: array{what: string, from: string, to: string}, apply: \Closure(array<string, mixed>): array<string, mixed>}>
     */
    private array $parts = [];
    /** @var list<array{what: string, why: string}> */
    private array $stays = [];

    /**
     * @param array<string, mixed> $content
     * @param list<string> $objective
     */
    public function __construct(
        array $content,
        private readonly ?string $name,
        private readonly array $objective,
        private readonly BankSettings $bank,
        private readonly bool $wasWhole,
    ) {
        // What was whole when it was saved need not be held against the rules again to be read.
        $this->before = $wasWhole
            ? Sketch::whole(Question::fromData(Fields::of($content), $name, $objective, verified: true))
            : Sketch::of(Fields::of($content), $name, $objective);
        $this->effective = $this->before->question?->effective($bank);
        $this->settings = self::map($this->before->data, 'settings');
    }

    public function kind(): KindId
    {
        return $this->before->kind();
    }

    /** What the question itself sets. */
    public function own(Setting $setting): ?string
    {
        return $this->settings[$setting->value] ?? null;
    }

    /** What counts, as far as it can be told of one that is not whole. */
    public function effective(Setting $setting): ?string
    {
        $own = $this->own($setting);
        $was = self::map($this->before->data, 'settings')[$setting->value] ?? null;
        if ($own === null && $was === null && $this->effective !== null) {
            return $this->effective->get($setting);
        }

        return $own ??
            ($this->effective?->without(EffectiveSettings::QUESTION, $setting)->get($setting) ??
                ($this->bank->for($this->kind())->get($setting) ?? $setting->houseValue()));
    }

    /** @return list<string> */
    public function tags(): array
    {
        return array_values(self::map($this->before->data, 'tags'));
    }

    public function text(string $field): ?string
    {
        $text = $this->before->data[$field] ?? null;

        return is_string($text) ? $text : null;
    }

    public function stays(string $what, string $why): void
    {
        $this->stays[] = ['what' => $what, 'why' => $why];
    }

    /** @param string|null $value null: the question no longer says it */
    public function setting(Setting $setting, ?string $value): void
    {
        $from = $this->effective($setting) ?? 'none';
        $this->settings = self::withSetting($this->settings, $setting, $value);
        $to = $value ?? sprintf('%s, as the bank has it', $this->effective($setting) ?? 'none');
        $this->part(
            $setting->value,
            $from,
            $to,
            static fn (array $data): array => [...$data, 'settings' => self::withSetting(self::map($data, 'settings'), $setting, $value)],
        );
    }

    public function set(string $what, string $field, mixed $from, mixed $to): void
    {
        $words = static fn (mixed $value): string => is_array($value)
            ? implode(', ', array_filter($value, is_string(...)))
            : (is_string($value)
                ? $value
                : '');
        $words($from) === $words($to)
            ? $this->stays($what, 'has it already')
            : $this->part(
                $what,
                $words($from) === '' ? 'none' : $words($from),
                $words($to) === '' ? 'none' : $words($to),
                static fn (array $data): array => self::without([...$data, $field => $to === [] ? null : $to]),
            );
    }

    /** @param list<string> $objective */
    public function moveTo(array $objective): void
    {
        if ($objective === $this->objective) {
            $this->stays('objective', 'stands there already');

            return;
        }
        $this->goes = $objective;
        $this->part('objective', self::last($this->objective), self::last($objective), static fn (array $data): array => $data);
    }

    /** What is said after an outcome on any attempt; texts for one attempt or the last stay. */
    public function say(Outcome $outcome, string $text): void
    {
        $isIt = static fn (mixed $t): bool => is_array($t) &&
            ($t['outcome'] ?? null) === $outcome->value &&
            !isset($t['attempt']) &&
            ($t['onLast'] ?? false) !== true;
        $texts = static fn (array $data): array => is_array($data['outcomeTexts'] ?? null) ? array_values($data['outcomeTexts']) : [];
        $found = array_values(array_filter($texts($this->before->data), $isIt))[0] ?? null;
        $from = is_array($found) && is_string($found['text'] ?? null) ? $found['text'] : '';
        if ($from === $text) {
            $this->stays('if ' . $outcome->value, 'says it already');

            return;
        }
        $nothing = 'nothing of its own';
        $this->part('if ' . $outcome->value, $from === '' ? $nothing : $from, $text === '' ? $nothing : $text, static function (
            array $data,
        ) use ($texts, $isIt, $outcome, $text): array {
            $others = array_values(array_filter($texts($data), static fn (mixed $t): bool => !$isIt($t)));
            $all = $text === '' ? $others : [['outcome' => $outcome->value, 'text' => $text], ...$others];

            return self::without([...$data, 'outcomeTexts' => $all === [] ? null : $all]);
        });
    }

    public function replace(Replacement $replacement): void
    {
        [, $times] = $replacement->in($this->before->data);
        $times === 0
            ? $this->stays('texts', 'do not have it')
            : $this->part(
                'texts',
                sprintf('%d ×', $times),
                $replacement->inWords(),
                static fn (array $data): array => $replacement->in($data)[0],
            );
    }

    public function result(): Changed
    {
        $data = $this->before->data;
        foreach ($this->parts as ['apply' => $apply]) {
            $data = $apply($data);
        }
        $sketch = $this->parts === [] ? $this->before : $this->sketch($data);
        if ($this->isTaken($sketch)) {
            return new Changed($sketch, $this->goes, array_column($this->parts, 'change'), $this->stays);
        }
        $sketch = $this->before;
        $changes = [];
        foreach ($this->parts as ['change' => $change, 'apply' => $apply]) {
            $next = $this->sketch($apply($sketch->data));
            if ($this->isTaken($next)) {
                $sketch = $next;
                $changes[] = $change;
            } else {
                $this->stays($change['what'], $next->problem['message'] ?? '');
            }
        }

        return new Changed($sketch, $this->goes, $changes, $this->stays);
    }

    private function isTaken(Sketch $sketch): bool
    {
        return !$this->wasWhole || $sketch->problem === null;
    }

    /** @param array<string, mixed> $data */
    private function sketch(array $data): Sketch
    {
        $question = $this->before->question;
        $other =
            array_diff_key($data, ['settings' => 1, 'tags' => 1]) !== array_diff_key($this->before->data, ['settings' => 1, 'tags' => 1]);
        if ($question === null || $other) {
            return Sketch::of(Fields::of($data), $this->name, $this->objective);
        }
        // Answers and texts are as they were: only what is set is held against the rules.
        try {
            return Sketch::whole($question->with(Settings::of(self::map($data, 'settings')), array_values(self::map($data, 'tags'))));
        } catch (InvalidQuestion|InvalidSetting) {
            return Sketch::of(Fields::of($data), $this->name, $this->objective);
        }
    }

    /** @param \Closure(array<string, mixed>): array<string, mixed> $apply */
    private function part(string $what, string $from, string $to, \Closure $apply): void
    {
        $this->parts[] = ['change' => ['what' => $what, 'from' => $from, 'to' => $to], 'apply' => $apply];
    }

    /**
     * @param array<string, mixed> $data
     *
     * @return array<string, mixed>
     */
    private static function without(array $data): array
    {
        return array_filter($data, static fn (mixed $value): bool => $value !== null);
    }

    /**
     * @param array<string, mixed> $data
     *
     * @return array<string, string>
     */
    private static function map(array $data, string $field): array
    {
        $map = [];
        foreach (is_array($data[$field] ?? null) ? $data[$field] : [] as $key => $value) {
            if (is_string($value)) {
                $map[(string) $key] = $value;
            }
        }

        return $map;
    }

    /**
     * @param array<string, string> $settings
     *
     * @return array<string, string>
     */
    private static function withSetting(array $settings, Setting $setting, ?string $value): array
    {
        unset($settings[$setting->value]);

        return $value === null ? $settings : [...$settings, $setting->value => $value];
    }

    /** @param list<string> $path */
    private static function last(array $path): string
    {
        return $path[count($path) - 1] ?? 'none';
    }
}
