<?php

declare(strict_types=1);

namespace Zetema\Core\Question;

use Zetema\Core\Data\AuthorText;
use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Question\Feedback\Hint;
use Zetema\Core\Question\Feedback\Note;
use Zetema\Core\Question\Feedback\Outcome;
use Zetema\Core\Question\Feedback\OutcomeText;
use Zetema\Core\Question\Kinds\Kind;
use Zetema\Core\Question\Kinds\KindId;
use Zetema\Core\Question\Response\ResponseForm;
use Zetema\Core\Question\Settings\BankSettings;
use Zetema\Core\Question\Settings\EffectiveSettings;
use Zetema\Core\Question\Settings\InvalidSetting;
use Zetema\Core\Question\Settings\Setting;
use Zetema\Core\Question\Settings\Settings;

/** A graded question: its stem, its kind with the answers, its settings and what it says. */
final readonly class Question
{
    public const VERSION = 1;

    public string $stem;

    /**
     * @param list<string> $objective path in the tree of objectives, from the top; empty: none
     * @param list<string> $tags
     * @param list<OutcomeText> $outcomeTexts
     * @param list<Note> $notes
     * @param list<Hint> $hints
     * @param bool $verified that it was verified when it was made: papers go on with what the rules let pass in their day
     *
     * @throws InvalidQuestion if it cannot be asked or marked
     */
    public function __construct(
        public Kind $kind,
        string $stem,
        public Settings $settings,
        public ?string $name = null,
        public array $objective = [],
        public array $tags = [],
        public ?Difficulty $difficulty = null,
        public Status $status = Status::Draft,
        public array $outcomeTexts = [],
        public array $notes = [],
        public array $hints = [],
        bool $verified = false,
    ) {
        $this->stem = AuthorText::tidy($stem);
        if ($this->stem === '') {
            throw new InvalidQuestion('the stem is empty', 'stem');
        }
        if (!$verified) {
            QuestionCheck::verify($this);
        }
    }

    /**
     * What counts here: what its step of an assessment says, the question's own settings, those of places further out, the house rules.
     *
     * @param Settings|null $step typed at a step or draw of the assessment
     * @param Settings|null $section of the assessment
     */
    public function effective(
        ?BankSettings $bank = null,
        ?Settings $step = null,
        ?Settings $section = null,
        ?Settings $assessment = null,
    ): EffectiveSettings {
        $fitting = fn (?Settings $settings): Settings => $settings === null
            ? Settings::none()
            : Settings::of(
                array_filter(
                    $settings->values,
                    fn (string $value, string $word): bool => $this->takes(Setting::from($word), $value),
                    ARRAY_FILTER_USE_BOTH,
                ),
            );

        return EffectiveSettings::from(
            [
                EffectiveSettings::STEP => $fitting($step),
                EffectiveSettings::QUESTION => $this->settings,
                'section' => $fitting($section),
                'assessment' => $fitting($assessment),
                'bank' => $fitting($bank?->for($this->kind::id())),
            ],
            $this->kind::id()->facts()->defaults,
        );
    }

    /** Whether a setting has a meaning for this kind. */
    public static function kindTakes(KindId $kind, Setting $setting, string $value): bool
    {
        if ($setting === Setting::Marking) {
            return in_array($value, $kind->facts()->rules, true);
        }

        return in_array($setting, $kind->facts()->settings, true) || !$setting->isOfSomeKinds();
    }

    /** Whether somebody who is asked can make this choice. */
    public function canChoose(int $choice): bool
    {
        $facts = $this->kind::id()->facts();
        try {
            return $facts->form === ResponseForm::Choices &&
                !$this->kind->response([$facts->field => [$choice]], $this->effective(), complete: false)->isBlank();
        } catch (Malformed) {
            return false;
        }
    }

    /** The same question under another name. */
    public function named(string $name): self
    {
        return new self(
            $this->kind,
            $this->stem,
            $this->settings,
            $name,
            $this->objective,
            $this->tags,
            $this->difficulty,
            $this->status,
            $this->outcomeTexts,
            $this->notes,
            $this->hints,
            verified: true,
        );
    }

    /**
     * The same question with other settings and tags.
     *
     * @param list<string> $tags
     * @param list<string>|null $objective null: its own
     *
     * @throws InvalidQuestion if it cannot be asked or marked so
     */
    public function with(Settings $settings, array $tags, ?array $objective = null): self
    {
        return new self(
            $this->kind,
            $this->stem,
            $settings,
            $this->name,
            $objective ?? $this->objective,
            $tags,
            $this->difficulty,
            $this->status,
            $this->outcomeTexts,
            $this->notes,
            $this->hints,
        );
    }

    /**
     * The same question, which says after an outcome what is said further out where it says nothing itself.
     *
     * @param array<string, string> $wording by outcome
     */
    public function saying(array $wording): self
    {
        foreach ($this->outcomeTexts as $own) {
            if ($own->attempt === null && !$own->onLast && $own->text !== '') {
                unset($wording[$own->outcome->value]);
            }
        }
        $texts = array_map(
            static fn (string $outcome, string $text): OutcomeText => new OutcomeText(Outcome::from($outcome), $text),
            array_keys($wording),
            $wording,
        );

        return $texts === []
            ? $this
            : new self(
                $this->kind,
                $this->stem,
                $this->settings,
                $this->name,
                $this->objective,
                $this->tags,
                $this->difficulty,
                $this->status,
                [...$this->outcomeTexts, ...$texts],
                $this->notes,
                $this->hints,
                verified: true,
            );
    }

    /** @return array<string, mixed> the stored form */
    public function toData(): array
    {
        return [
            'v' => self::VERSION,
            'kind' => $this->kind::id()->value,
            'stem' => $this->stem,
            ...$this->kind->toData(),
            ...$this->settings->values === [] ? [] : ['settings' => $this->settings->values],
            ...$this->outcomeTexts === []
                ? []
                : ['outcomeTexts' => array_map(static fn (OutcomeText $t): array => $t->toData(), $this->outcomeTexts)],
            ...$this->notes === [] ? [] : ['notes' => array_map(static fn (Note $n): array => $n->toData(), $this->notes)],
            ...$this->hints === [] ? [] : ['hints' => array_map(static fn (Hint $h): array => $h->toData(), $this->hints)],
            ...$this->tags === [] ? [] : ['tags' => $this->tags],
            ...$this->difficulty === null ? [] : ['difficulty' => $this->difficulty->value],
        ];
    }

    /**
     * Read from the stored form. Name, objective and status are kept beside it.
     *
     * @param list<string> $objective
     * @param bool $verified that what is stored was verified when it was made
     *
     * @throws InvalidQuestion|InvalidSetting|Malformed
     */
    public static function fromData(
        Fields $data,
        ?string $name = null,
        array $objective = [],
        Status $status = Status::Draft,
        bool $verified = false,
    ): self {
        $kind =
            KindId::tryFrom($data->text('kind')) ??
            throw new InvalidQuestion(sprintf('there is no kind “%s”', $data->text('kind')), 'kind');
        $difficulty = $data->optionalText('difficulty');
        $definition = $kind->definition()::fromData($data);
        $ids = self::choiceIds($definition);

        return new self(
            $definition,
            $data->text('stem'),
            Settings::of($data->textMap('settings')),
            $name,
            $objective,
            $data->texts('tags', optional: true),
            $difficulty === null ? null : Difficulty::tryFrom($difficulty),
            $status,
            array_map(OutcomeText::fromData(...), $data->objects('outcomeTexts', optional: true)),
            array_map(static fn (Fields $note): Note => Note::fromData($note, $ids), $data->objects('notes', optional: true)),
            array_map(Hint::fromData(...), $data->objects('hints', optional: true)),
            $verified,
        );
    }

    /** @return list<int> in the order written */
    public static function choiceIds(Kind $kind): array
    {
        return array_map(static fn (Answers\Choice $choice): int => $choice->id, $kind->choices());
    }

    private function takes(Setting $setting, string $value): bool
    {
        return self::kindTakes($this->kind::id(), $setting, $value);
    }
}
