<?php

declare(strict_types=1);

namespace Zetema\App\Intake;

use Zetema\App\Bank\Objective\Objective;
use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Exchange\AskedAs;
use Zetema\Core\Exchange\Source;
use Zetema\Core\Question as Core;
use Zetema\Core\Question\InvalidQuestion;
use Zetema\Core\Question\Kinds\KindId;
use Zetema\Core\Question\Settings\InvalidSetting;
use Zetema\Core\Question\Settings\Marking;
use Zetema\Core\Question\Settings\Setting;
use Zetema\Core\Question\Settings\Settings;

/**
 * What a batch is given before it is taken in: an objective, a kind and settings for questions that say none themselves, and tags for all.
 */
final readonly class Given
{
    private const MOST_TAGS = 20;

    /**
     * @param list<string> $objective
     * @param list<string> $tags
     */
    private function __construct(private array $objective, private array $tags, private Settings $settings, private ?KindId $kind)
    {
    }

    /** @throws Malformed */
    public static function of(Fields $data): self
    {
        $objective = array_values(
            array_filter(array_map(trim(...), explode('>', $data->text('objective', ''))), static fn (string $name): bool => $name !== ''),
        );
        $tags = array_values(
            array_unique(
                array_filter(array_map(trim(...), $data->texts('tags', optional: true)), static fn (string $tag): bool => $tag !== ''),
            ),
        );
        if (count($tags) > self::MOST_TAGS) {
            throw new Malformed('tags', sprintf('are more than %d', self::MOST_TAGS));
        }
        $said = $data->optionalText('kind');
        $kind = $said === null ? null : KindId::tryFrom($said);
        if ($said !== null && !in_array($kind, AskedAs::KINDS, true)) {
            throw new Malformed('kind', 'must be one, several, order, text or number');
        }
        try {
            return new self($objective, $tags, Settings::of($data->textMap('settings')), $kind);
        } catch (InvalidSetting $e) {
            throw new Malformed('settings', $e->getMessage());
        }
    }

    /** @return array{objective: string, tags: list<string>, settings: array<string, string>, kind: string|null} */
    public function toData(): array
    {
        return [
            'objective' => implode(Objective::SEPARATOR, $this->objective),
            'tags' => $this->tags,
            'settings' => $this->settings->values,
            'kind' => $this->kind?->value,
        ];
    }

    /** The questions of a source as the kind they are given. */
    public function asked(Source $source): Source
    {
        return $this->kind === null ? $source : new AskedAs($source, $this->kind);
    }

    /** The question with what it is given, as far as that has a meaning for it. */
    public function to(Core\Question $question): Core\Question
    {
        $fitting = array_filter(
            $this->settings->values,
            static fn (string $value, string $word): bool => Core\Question::kindTakes(
                $question->kind::id(),
                Setting::from($word),
                $value,
            ) && !($word === Setting::Points->value && $question->settings->marking() === Marking::Weighed),
            ARRAY_FILTER_USE_BOTH,
        );
        $tags = array_values(array_unique([...$question->tags, ...$this->tags]));
        $objective = $question->objective === [] ? $this->objective : $question->objective;
        try {
            return $question->with($question->settings->over(Settings::of($fitting)), $tags, $objective);
        } catch (InvalidQuestion) {
            // What is given does not go with what it says itself: it stays as it is written.
            return $question->with($question->settings, $tags, $objective);
        }
    }
}
