<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange;

use Zetema\Core\Exchange\TextFormat\Reader;
use Zetema\Core\Exchange\TextFormat\Writer;
use Zetema\Core\Question\Kinds\KindId;
use Zetema\Core\Question\Question;

/**
 * The questions of a source as another kind than they look like, where their source says no kind and what is written of them is whole as
 * that, too.
 */
final readonly class AskedAs implements Source
{
    /** Kinds whose questions may be written alike: by their choices, or by what is typed. */
    public const KINDS = [KindId::One, KindId::Several, KindId::Order, KindId::Text, KindId::Number];

    public function __construct(private Source $source, private KindId $kind)
    {
    }

    public function questions(): \Generator
    {
        foreach ($this->source->questions() as $found) {
            $turned = $found->question === null || $found->isKindSaid ? null : $this->turned($found->question);
            yield $turned === null
                ? $found
                : new Found(
                    $found->fromLine,
                    $found->toLine,
                    $turned,
                    [],
                    ltrim($found->why . '; ', '; ') . 'asked as ' . $this->kind->value . ', as was chosen',
                );
        }
    }

    public function report(): Report
    {
        return $this->source->report();
    }

    private function turned(Question $question): ?Question
    {
        if ($question->kind::id() === $this->kind || !in_array($question->kind::id(), self::KINDS, true)) {
            return null;
        }
        $text = (new Writer())->question($question);
        $head = $question->kind::id()->value . ':';
        $found = iterator_to_array(
            (new Reader())->questions(preg_replace('/^' . $head . '/m', $this->kind->value . ':', $text, 1) ?? $text),
            false,
        );

        return count($found) === 1 && $found[0]->problems === [] ? $found[0]->question : null;
    }
}
