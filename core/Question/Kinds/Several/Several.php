<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Kinds\Several;

use Zetema\Core\Question\Answers\Choice;
use Zetema\Core\Question\InvalidQuestion;
use Zetema\Core\Question\Kinds\Common\ChoiceKind;
use Zetema\Core\Question\Kinds\Common\ChoiceLines;
use Zetema\Core\Question\Kinds\KindFacts;
use Zetema\Core\Question\Kinds\KindId;
use Zetema\Core\Question\Kinds\ListOrder;
use Zetema\Core\Question\Line;
use Zetema\Core\Question\Problems;
use Zetema\Core\Question\Response\ResponseForm;
use Zetema\Core\Question\Settings\EffectiveSettings;
use Zetema\Core\Question\Settings\Marking;
use Zetema\Core\Question\Settings\Setting;
use Zetema\Core\Question\Settings\Settings;

/** Multiple response: any number of answers is chosen, within limits if there are any. */
final readonly class Several extends ChoiceKind
{
    public static function id(): KindId
    {
        return KindId::Several;
    }

    public static function facts(): KindFacts
    {
        return new KindFacts(
            names: ['several', 'multiple response'],
            opening: ['several'],
            words: ChoiceLines::words(),
            line: 'answer',
            how: 'Choose all that fit.',
            form: ResponseForm::Choices,
            field: 'choose',
            lists: ['choices'],
            texts: self::TEXTS,
            empty: ['choices' => ChoiceLines::empty()],
            template: "several: {Which of these …?}\n  marking: parts\n  yes: {one that is right}\n  yes: {another}\n  no: {one that is not}\n    says: {why not}\n  no: {a fourth}\n",
            listOrder: ListOrder::ShuffledIfSet,
            rules: ['whole', 'parts', 'each', 'weighed'],
            settings: [Setting::Shuffle, Setting::Layout, Setting::Choose, Setting::WrongPartCosts],
            defaults: [Setting::WrongPartCosts->value => '1'],
        );
    }

    public static function read(Line $opening, array $parts, Settings $own, Problems $problems): self
    {
        return new self(ChoiceLines::read($parts, $problems));
    }

    public function toLines(string $stem): array
    {
        return [Line::written('several', $stem), ...array_map(static fn (Choice $c): Line => $c->toLine(), $this->choices)];
    }

    public function verify(EffectiveSettings $settings, string $stem): void
    {
        parent::verify($settings, $stem);
        $most = $this->limits($settings)['most'];
        if ($most !== null && $most > count($this->choices)) {
            throw new InvalidQuestion(sprintf('asks for %d choices and has %d', $most, count($this->choices)), 'choose');
        }
        if ($settings->marking() === Marking::Each && $most !== null && $most < count($this->keys())) {
            throw new InvalidQuestion('under “each” at least as many choices must be allowed as there are keys', 'choose');
        }
    }

    protected function limits(EffectiveSettings $settings): array
    {
        return $settings->limits();
    }

    public function span(string $tally): array
    {
        $adds = $this->addings($tally);

        return [
            array_sum(array_filter($adds, static fn (int $n): bool => $n < 0)),
            array_sum(array_filter($adds, static fn (int $n): bool => $n > 0)),
        ];
    }
}
