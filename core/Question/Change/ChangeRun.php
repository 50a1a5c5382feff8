<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Change;

use Zetema\Core\Data\Fields;
use Zetema\Core\Question\Feedback\Outcome;
use Zetema\Core\Question\Kinds\KindId;
use Zetema\Core\Question\Question;
use Zetema\Core\Question\Settings\BankSettings;
use Zetema\Core\Question\Settings\Setting;
use Zetema\Core\Question\Sketch;

/** One question on its way through a change of many: each part of the change is tried, and taken only if the question stays whole. */
final class ChangeRun
{
    private Sketch $sketch;
    /** @var list<string>|null */
    private ?array $goes = null;
    /** @var list<array{what: string, from: string, to: string}> */
    private array $changes = [];
    /** @var list<array{what: string, why: string}> */
    private array $stays = [];

    /**
     * @param array<string, mixed> $content
     * @param list<string> $objective
     */
    public function __construct(array $content, private readonly ?string $name, private readonly array $objective, private readonly BankSettings $bank, private readonly bool $wasWhole)
    {
        // What was whole when it was saved need not be held against the rules again to be read.
        $this->sketch = $wasWhole ? Sketch::whole(Question::fromData(Fields::of($content), $name, $objective, verified: true)) : Sketch::of(Fields::of($content), $name, $objective);
    }

    public function kind(): KindId
    {
        return $this->sketch->kind();
    }

    /** What the question itself sets. */
    public function own(Setting $setting): ?string
    {
        $settings = $this->sketch->data['settings'] ?? [];
        $value = is_array($settings) ? $settings[$setting->value] ?? null : null;

        return is_string($value) ? $value : null;
    }

    /** What counts, as far as it can be told of one that is not whole. */
    public function effective(Setting $setting): ?string
    {
        return $this->sketch->question?->effective($this->bank)->get($setting) ?? $this->own($setting) ?? $this->bank->for($this->kind())->get($setting) ?? $setting->houseValue();
    }

    /** @return list<string> */
    public function tags(): array
    {
        $tags = $this->sketch->data['tags'] ?? [];

        return is_array($tags) ? array_values(array_filter($tags, is_string(...))) : [];
    }

    public function text(string $field): ?string
    {
        $text = $this->sketch->data[$field] ?? null;

        return is_string($text) ? $text : null;
    }

    public function stays(string $what, string $why): void
    {
        $this->stays[] = ['what' => $what, 'why' => $why];
    }

    public function setting(Setting $setting, ?string $value, string $unset): void
    {
        $settings = $this->sketch->data['settings'] ?? [];
        $settings = is_array($settings) ? $settings : [];
        unset($settings[$setting->value]);
        $from = $this->effective($setting) ?? 'none';
        $this->try($setting->value, $from, $value ?? $unset, ['settings' => $value === null ? $settings : [...$settings, $setting->value => $value]]);
    }

    public function set(string $what, string $field, mixed $from, mixed $to): void
    {
        $words = static fn (mixed $value): string => is_array($value) ? implode(', ', array_filter($value, is_string(...))) : (is_string($value) ? $value : '');
        $from === $to || $words($from) === $words($to)
            ? $this->stays($what, 'has it already')
            : $this->try($what, $words($from) === '' ? 'none' : $words($from), $words($to) === '' ? 'none' : $words($to), [$field => $to === [] ? null : $to]);
    }

    /** @param list<string> $objective */
    public function moveTo(array $objective): void
    {
        if ($objective === $this->objective) {
            $this->stays('objective', 'stands there already');

            return;
        }
                $this->goes = $objective;
        $this->changes[] = ['what' => 'objective', 'from' => self::last($this->objective), 'to' => self::last($objective)];
    }

    /** What is said after an outcome on any attempt; texts for one attempt or the last stay. */
    public function say(Outcome $outcome, string $text): void
    {
        $texts = is_array($this->sketch->data['outcomeTexts'] ?? null) ? array_values($this->sketch->data['outcomeTexts']) : [];
        $isIt = static fn (mixed $t): bool => is_array($t) && ($t['outcome'] ?? null) === $outcome->value && !isset($t['attempt']) && ($t['onLast'] ?? false) !== true;
        $found = array_values(array_filter($texts, $isIt))[0] ?? null;
        $others = array_values(array_filter($texts, static fn (mixed $t): bool => !$isIt($t)));
        $from = is_array($found) && is_string($found['text'] ?? null) ? $found['text'] : '';
        if ($from === $text) {
            $this->stays('if ' . $outcome->value, 'says it already');

            return;
        }
        $this->try('if ' . $outcome->value, $from === '' ? 'nothing of its own' : $from, $text === '' ? 'nothing of its own' : $text, ['outcomeTexts' => $text === '' ? $others : [['outcome' => $outcome->value, 'text' => $text], ...$others]]);
    }

    public function replace(Replacement $replacement): void
    {
        [$data, $times] = $replacement->in($this->sketch->data);
        $times === 0 ? $this->stays('texts', 'do not have it') : $this->try('texts', sprintf('%d ×', $times), $replacement->inWords(), array_combine(array_map(strval(...), array_keys($data)), $data));
    }

    public function result(): Changed
    {
        return new Changed($this->sketch, $this->goes, $this->changes, $this->stays);
    }

    /** @param list<string> $path */
    private static function last(array $path): string
    {
        return $path[count($path) - 1] ?? 'none';
    }

    /** @param array<string, mixed> $fields null: the field goes */
    private function try(string $what, string $from, string $to, array $fields): void
    {
        $data = array_filter([...$this->sketch->data, ...$fields], static fn (mixed $value): bool => $value !== null);
        $sketch = Sketch::of(Fields::of($data), $this->name, $this->objective);
        if ($this->wasWhole && $sketch->problem !== null) {
            $this->stays($what, $sketch->problem['message']);

            return;
        }
        $this->sketch = $sketch;
        $this->changes[] = ['what' => $what, 'from' => $from, 'to' => $to];
    }
}
