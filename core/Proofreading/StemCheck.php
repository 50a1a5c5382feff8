<?php

declare(strict_types=1);

namespace Zetema\Core\Proofreading;

use Zetema\Core\Question\Question;
use Zetema\Core\Question\Settings\EffectiveSettings;
use Zetema\Core\Question\Texts\QuestionTexts;

/** How the stem is written, and the pictures in any text. */
final class StemCheck implements Check
{
    private const LONGEST = 120;

    public function findings(Question $question, EffectiveSettings $settings): iterable
    {
        $isStatement = $question->kind::id()->facts()->isStatement;
        $stem = $question->stem;
        $negative = Words::negative($stem);
        if ($negative !== null && !$isStatement) {
            yield new Flaw(Rule::NegativeStem, 'stem', sprintf('“%s” is not emphasised.', $negative));
        }
        if (Words::isNegative($stem)) {
            foreach ($question->kind->choices() as $i => $choice) {
                if (!$isStatement && Words::isNegative($choice->text) && ChoiceCheck::allOrNone($choice->text) === null) {
                    yield new Flaw(Rule::DoubleNegative, 'answer ' . ($i + 1), 'The stem is negative, and so is this answer.');
                }
            }
        }
        $asks = preg_match('/[?:…]\W*$|___|\.\W*$|[^\x00-\x{FF}]\W*$/u', $stem) === 1;
        if ($isStatement && preg_match('/\?\W*$/u', $stem) === 1) {
            yield new Flaw(Rule::NoQuestion, 'stem', 'A claim is a statement, and this is a question.');
        } elseif ((!$isStatement && !$asks) || count(Words::of($stem)) < 3) {
            yield new Flaw(Rule::NoQuestion, 'stem', 'This is neither a question nor a sentence to complete.');
        }
        $count = count(Words::of($stem));
        if ($count > self::LONGEST) {
            yield new Flaw(Rule::LongStem, 'stem', sprintf('The stem has %d words.', $count));
        }
        if ($isStatement && ($word = Words::absolute($stem)) !== null) {
            yield new Flaw(Rule::AbsoluteWord, 'stem', sprintf('“%s” gives the answer away.', $word));
        }
        yield from self::pictures($question);
    }

    /** @return iterable<Flaw> */
    private static function pictures(Question $question): iterable
    {
        $told = [];
        foreach (QuestionTexts::of($question->toData()) as $text) {
            if (!isset($told[$text->where]) && preg_match('/!\[\s*\]\(/u', $text->text) === 1) {
                $told[$text->where] = true;
                yield new Flaw(Rule::NoDescription, $text->where, 'A picture, sound or film has no description.');
            }
        }
    }
}
