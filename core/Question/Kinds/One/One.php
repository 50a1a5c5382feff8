<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Kinds\One;

use Zetema\Core\Question\Answers\Choice;
use Zetema\Core\Question\Kinds\Common\ChoiceKind;
use Zetema\Core\Question\Kinds\Common\ChoiceLines;
use Zetema\Core\Question\Kinds\KindFacts;
use Zetema\Core\Question\Kinds\KindId;
use Zetema\Core\Question\Kinds\ListOrder;
use Zetema\Core\Question\Line;
use Zetema\Core\Question\Problems;
use Zetema\Core\Question\Response\ResponseForm;
use Zetema\Core\Question\Settings\Setting;
use Zetema\Core\Question\Settings\Settings;

/** Multiple choice: one of several answers is chosen. */
final readonly class One extends ChoiceKind
{
    public static function id(): KindId
    {
        return KindId::One;
    }

    public static function facts(): KindFacts
    {
        return new KindFacts(
            names: ['one', 'multiple choice'],
            opening: ['one'],
            words: ChoiceLines::words(),
            line: 'answer',
            how: 'Choose one.',
            form: ResponseForm::Choices,
            field: 'choose',
            lists: ['choices'],
            texts: self::TEXTS,
            empty: ['choices' => ChoiceLines::empty()],
            template: "one: {What is asked?}\n  yes: {the right answer}\n    says: {why}\n  no: {another}\n    says: {why not}\n  no: {a third}\n  no: {a fourth}\n",
            listOrder: ListOrder::ShuffledIfSet,
            rules: ['whole', 'weighed'],
            settings: [Setting::Shuffle, Setting::Layout],
            isPartly: false,
            choosesOne: true,
        );
    }

    public static function read(Line $opening, array $parts, Settings $own, Problems $problems): self
    {
        return new self(ChoiceLines::read($parts, $problems));
    }

    public function toLines(string $stem): array
    {
        return [Line::written('one', $stem), ...array_map(static fn (Choice $c): Line => $c->toLine(), $this->choices)];
    }
}
