<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Kinds\One;

use Zetema\Core\Question\Answers\Choice;
use Zetema\Core\Question\KindId;
use Zetema\Core\Question\Kinds\Common\ChoiceKind;
use Zetema\Core\Question\Line;
use Zetema\Core\Question\Problems;
use Zetema\Core\Question\Settings\Setting;
use Zetema\Core\Question\Settings\Settings;

/** Multiple choice: one of several answers is chosen. */
final readonly class One extends ChoiceKind
{
    public static function id(): KindId
    {
        return KindId::One;
    }

    public static function rules(): array
    {
        return ['whole', 'weighed'];
    }

    public static function ownSettings(): array
    {
        return [Setting::Shuffle, Setting::Layout];
    }

    public static function words(): array
    {
        return ['yes', 'no'];
    }

    public static function read(Line $opening, array $parts, Settings $own, Problems $problems): self
    {
        $choices = [];
        foreach ($parts as $i => $part) {
            $choices[] = Choice::read($part, $i + 1, $problems);
        }

        return new self($choices);
    }

    public function toLines(string $stem): array
    {
        return [Line::written('one', $stem), ...array_map(static fn (Choice $c): Line => $c->toLine(), $this->choices)];
    }
}
