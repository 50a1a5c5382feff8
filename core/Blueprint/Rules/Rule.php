<?php

declare(strict_types=1);

namespace Zetema\Core\Blueprint\Rules;

/** What can be ruled for sittings, by the words of the format. */
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

    public function facts(): RuleFacts
    {
        return match ($this) {
            self::Time => new RuleFacts('time', RuleLevel::Whole),
            self::Moving => new RuleFacts('moving', RuleLevel::Section, 'How candidates move', [
                Moving::ForwardOnly->value => 'forward only',
                Moving::AnyOrder->value => 'in any order',
            ]),
            self::Screen => new RuleFacts('what is on a page', RuleLevel::Section, 'What is on a page', [
                Sharing::Question->value => 'a question a page',
                Sharing::Section->value => 'a section a page',
            ]),
            self::Feedback => new RuleFacts('feedback', RuleLevel::Section, 'When feedback is given', [
                Telling::EachAttempt->value => 'after each attempt',
                Telling::LastAttempt->value => 'after the last attempt',
                Telling::AtTheEnd->value => 'at the end',
                Telling::Never->value => 'never',
            ]),
            self::MustAnswer => new RuleFacts('leaving blank', RuleLevel::Step, 'Whether a question may be left blank', [
                'false' => 'may be left blank',
                'true' => 'must be answered',
            ]),
            self::AllParts => new RuleFacts('checking a part', RuleLevel::Step, 'From how many parts on', [
                'false' => 'from one part on',
                'true' => 'once all parts are given',
            ]),
            self::RunningOut => new RuleFacts('running out', RuleLevel::Whole, 'What counts when time runs out', [
                RunningOut::AsItStands->value => 'as it stands',
                RunningOut::Unanswered->value => 'as unanswered',
            ]),
            self::UntilEnds => new RuleFacts('closing time', RuleLevel::Whole, 'Whether closing time ends sittings', [
                'true' => 'ends sittings',
                'false' => 'lets sittings go on',
            ]),
            self::Floor => new RuleFacts('the least of the total', RuleLevel::Whole, 'The least of the total', [
                '0' => 'is never below 0',
                'none' => 'may be below 0',
            ]),
            self::Refresher => new RuleFacts('refreshers', RuleLevel::Section),
            self::Score => new RuleFacts('running points', RuleLevel::Whole, 'Whether points so far are shown', [
                'false' => 'are not shown',
                'true' => 'are shown',
            ]),
            self::Worth => new RuleFacts('worth shown', RuleLevel::Section, 'Whether the worth is shown', [
                'false' => 'is not shown',
                'true' => 'is shown',
            ]),
            self::Key => new RuleFacts('right answer shown', RuleLevel::Section, 'Whether the right answer is shown', [
                'false' => 'is not shown',
                'true' => 'is shown after the last',
            ]),
            self::KeyOnRequest => new RuleFacts('right answer on request', RuleLevel::Section, 'When the right answer is shown', [
                'false' => 'by itself',
                'true' => 'once it is asked for',
            ]),
            self::Hide => new RuleFacts('hiding the question', RuleLevel::Section, 'Whether the question is hidden during feedback', [
                'false' => 'stays in sight',
                'true' => 'is hidden',
            ]),
            self::CheckOnChoosing => new RuleFacts('checking by choosing', RuleLevel::Section, 'How a response is checked', [
                'false' => 'by pressing Check',
                'true' => 'by choosing',
            ]),
            self::Reshuffle => new RuleFacts('mixing anew', RuleLevel::Section, 'Whether answers are mixed anew', [
                'false' => 'stay in their order',
                'true' => 'are mixed anew',
            ]),
            self::GoesOnByItself => new RuleFacts('going on by itself', RuleLevel::Section, 'What follows a right answer', [
                'false' => 'one reads what is said and goes on',
                'true' => 'it goes on by itself',
            ]),
            self::Sittings => new RuleFacts('sittings', RuleLevel::Whole),
            self::Pause => new RuleFacts('pause between sittings', RuleLevel::Whole),
        };
    }

    /** Whether a section may rule it for itself. */
    public function isOfSections(): bool
    {
        return $this->facts()->level !== RuleLevel::Whole;
    }

    /** Whether a step may rule it for itself. */
    public function isOfSteps(): bool
    {
        return $this->facts()->level === RuleLevel::Step;
    }
}
