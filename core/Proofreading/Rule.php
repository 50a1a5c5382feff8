<?php

declare(strict_types=1);

namespace Zetema\Core\Proofreading;

/** What the proofreader looks for: rules of the item-writing literature, each with its reason and a remedy. */
enum Rule: string
{
    case NegativeStem = 'negative stem';
    case DoubleNegative = 'double negative';
    case NoQuestion = 'no question';
    case LongStem = 'long stem';
    case AllOrNone = 'all or none of these';
    case AbsoluteWord = 'absolute word';
    case LongKey = 'long key';
    case EqualChoices = 'equal answers';
    case OverlappingChoices = 'overlapping answers';
    case ArticleClue = 'clue by article';
    case NumberClue = 'clue by number';
    case WordClue = 'clue by a word';
    case FewChoices = 'few answers';
    case SameBeginning = 'same beginning';
    case NumbersUnordered = 'numbers not in order';
    case NothingToChoose = 'nothing to choose';
    case NoDescription = 'picture without description';
    case NoFeedback = 'no feedback';
    case EqualFeedback = 'equal feedback';
    case BlankFeedback = 'blank feedback';
    case HintGivesAway = 'hint gives the key away';
    case OneWording = 'one wording only';
    case NoTolerance = 'no tolerance';
    case HeaviestIsNoKey = 'heaviest is no key';
    case KeyInOnePlace = 'key in one place';
    case ClaimsOutOfBalance = 'claims out of balance';
    case AreaOverKey = 'area over the key';

    /** Why it matters. */
    public function reason(): string
    {
        return match ($this) {
            self::NegativeStem => 'Hurried readers miss a “not” and answer the opposite question.',
            self::DoubleNegative => 'A negative stem with a negative answer tests logic, not the subject.',
            self::NoQuestion => 'A stem should say what is asked before the answers are read.',
            self::LongStem => 'A long stem tests reading, and costs time.',
            self::AllOrNone => 'Who knows two answers to be right, or one to be wrong, can tell without knowing the rest.',
            self::AbsoluteWord => 'Statements with “always” or “never” are mostly wrong, and candidates know that.',
            self::LongKey => 'The longest answer is taken for the right one, and here it is.',
            self::EqualChoices => 'Two answers that say the same cannot both be judged fairly.',
            self::OverlappingChoices => 'If ranges overlap, one number fits two answers.',
            self::ArticleClue => 'Only some answers go with the article, so grammar gives the key away.',
            self::NumberClue => 'Only the key agrees in number, so grammar gives it away.',
            self::WordClue => 'A word of the stem that stands only in the key points to it.',
            self::FewChoices => 'With fewer than three answers guessing pays.',
            self::SameBeginning => 'The same words are read over and over.',
            self::NumbersUnordered => 'Numbers out of order make candidates search.',
            self::NothingToChoose => 'If every answer is a key, choosing everything is right.',
            self::NoDescription => 'Who cannot see the picture is told nothing.',
            self::NoFeedback => 'The candidate learns only right or wrong.',
            self::EqualFeedback => 'The same words for different mistakes teach neither.',
            self::BlankFeedback => 'The other answers explain themselves; this one does not.',
            self::HintGivesAway => 'The hint contains the answer.',
            self::OneWording => 'People word and spell things in more than one way, and are right.',
            self::NoTolerance => 'A measured or computed value never comes out to the last figure.',
            self::HeaviestIsNoKey => 'The answer that earns most is not called a key, so it is shown as wrong in review.',
            self::KeyInOnePlace => 'Who notices where the key stands needs to know nothing.',
            self::ClaimsOutOfBalance => 'If most claims hold, “true” is a good guess.',
            self::AreaOverKey => 'Where the two lie over each other, one click is right and wrong at once.',
        };
    }

    /** What to do about it. */
    public function remedy(): string
    {
        return match ($this) {
            self::NegativeStem => 'Ask the other way round, or emphasise the word: **not**.',
            self::DoubleNegative => 'Ask the other way round.',
            self::NoQuestion => 'End with a question mark, or with a sentence to be completed.',
            self::LongStem => 'Shorten it, or put the story on a page before the question.',
            self::AllOrNone => 'Write another plausible answer, or ask for several answers.',
            self::AbsoluteWord => 'Say in which cases it holds.',
            self::LongKey => 'Shorten the key, or make a distractor as detailed.',
            self::EqualChoices => 'Take one of them out.',
            self::OverlappingChoices => 'Let each range end where the next begins.',
            self::ArticleClue => 'Put the article into each answer, or write “a/an”.',
            self::NumberClue => 'Write all answers in the same number.',
            self::WordClue => 'Use another word in the key, or the same word in a distractor.',
            self::FewChoices => 'Add a plausible distractor, or make it true or false.',
            self::SameBeginning => 'Move the common words to the end of the stem.',
            self::NumbersUnordered => 'Put them in rising order and leave this question unshuffled.',
            self::NothingToChoose => 'Add distractors.',
            self::NoDescription => 'Say in a few words what it shows.',
            self::NoFeedback => 'Say why the key is right, or what each distractor mixes up.',
            self::EqualFeedback => 'Say it once after the outcome, or say what is different.',
            self::BlankFeedback => 'Say what this answer mixes up.',
            self::HintGivesAway => 'Point to where the answer can be found instead.',
            self::OneWording => 'Add other wordings, a pattern, or allow a typo.',
            self::NoTolerance => 'Write a span: 14 within 0.5.',
            self::HeaviestIsNoKey => 'Call it a key, or give the key more points.',
            self::KeyInOnePlace => 'Shuffle the answers, or move some keys.',
            self::ClaimsOutOfBalance => 'Turn some claims into their opposite.',
            self::AreaOverKey => 'Draw them apart, or make the wrong one of pieces around the right one.',
        };
    }
}
