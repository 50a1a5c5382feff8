<?php

declare(strict_types=1);

namespace Zetema\Core\Blueprint\Rules;

/** What can be ruled for sittings, by the words of the format. The first value of each is what counts where nothing is said. */
enum Rule: string
{
    case Time = 'time';
    case Moving = 'moving';
    case Screen = 'screen';
    case Feedback = 'feedback';
    case MustAnswer = 'mustAnswer';
    case AllParts = 'allParts';
    case RunningOut = 'runningOut';
    case UntilEnds = 'untilEnds';
    case Floor = 'floor';
    case Refresher = 'refresher';
    case Score = 'score';
    case Worth = 'worth';
    case Key = 'key';
    /** The right answer shows once it is asked for. */
    case KeyOnRequest = 'keyOnRequest';
    case Hide = 'hide';
    case CheckOnChoosing = 'checkOnChoosing';
    case Reshuffle = 'reshuffle';
    /** Goes on by itself after a right answer; nothing is read then. */
    case GoesOnByItself = 'goesOnByItself';
    case Sittings = 'sittings';
    case Pause = 'pause';

    /** @return list<string>|null the words it takes; null: it takes something else */
    public function words(): ?array
    {
        return match ($this) {
            self::Moving => ['forward only', 'any order'],
            self::Screen => ['question', 'section'],
            self::Feedback => ['after each attempt', 'after the last attempt', 'at the end', 'never'],
            self::RunningOut => ['as it stands', 'unanswered'],
            self::Floor => ['0', 'none'],
            default => null,
        };
    }

    /** Whether it is yes or no. */
    public function isFlag(): bool
    {
        return in_array($this, [self::MustAnswer, self::AllParts, self::UntilEnds, self::Score, self::Worth, self::Key, self::KeyOnRequest, self::Hide, self::CheckOnChoosing, self::Reshuffle, self::GoesOnByItself], true);
    }

    public function flagWhereNothingIsSaid(): bool
    {
        return $this === self::UntilEnds;
    }

    /** Whether a section may rule it for itself. */
    public function isOfSections(): bool
    {
        return $this->isOfSteps() || in_array($this, [self::Moving, self::Screen, self::Feedback, self::Refresher, self::Worth, self::Key, self::KeyOnRequest, self::Hide, self::CheckOnChoosing, self::Reshuffle, self::GoesOnByItself], true);
    }

    /** Whether a step may rule it for itself. */
    public function isOfSteps(): bool
    {
        return $this === self::MustAnswer || $this === self::AllParts;
    }
}
