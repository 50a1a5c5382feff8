<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\Outside;

use Zetema\Core\Question\Response\Response;
use Zetema\Core\Sitting\Act\Act;
use Zetema\Core\Sitting\Act\Check;
use Zetema\Core\Sitting\Act\Close;
use Zetema\Core\Sitting\Act\Flag;
use Zetema\Core\Sitting\Act\Given;
use Zetema\Core\Sitting\Act\GiveTime;
use Zetema\Core\Sitting\Act\GoOn;
use Zetema\Core\Sitting\Act\HandIn;
use Zetema\Core\Sitting\Act\MoveTo;
use Zetema\Core\Sitting\Act\OpenHint;
use Zetema\Core\Sitting\Act\Pause;
use Zetema\Core\Sitting\Act\Refusal;
use Zetema\Core\Sitting\Act\Refused;
use Zetema\Core\Sitting\Act\Resume;
use Zetema\Core\Sitting\Act\Save;
use Zetema\Core\Sitting\Act\Start;
use Zetema\Core\Sitting\Event\Clock;
use Zetema\Core\Sitting\Event\ClockKind;
use Zetema\Core\Sitting\Paper\Paper;
use Zetema\Core\Time\Duration;
use Zetema\Core\Time\Instant;

/** Reads what was done as it is written down: {"at":"12.5","do":"save","question":"trim","response":{"choose":[1]}}. */
final class ActReader
{
    /** Fields of each act, beside its time; true where one must be there. */
    private const FIELDS = [
        Start::class => [],
        Save::class => ['question' => true, 'response' => true],
        Check::class => ['question' => true, 'response' => false],
        OpenHint::class => ['question' => true],
        GoOn::class => [],
        MoveTo::class => ['question' => false, 'step' => false],
        Flag::class => ['question' => true, 'on' => true],
        HandIn::class => [],
        GiveTime::class => ['seconds' => true, 'clock' => false],
        Close::class => [],
        Pause::class => [],
        Resume::class => [],
    ];
    private const NAMES = [
        'start' => Start::class,
        'save' => Save::class,
        'check' => Check::class,
        'hint' => OpenHint::class,
        'go on' => GoOn::class,
        'go to' => MoveTo::class,
        'flag' => Flag::class,
        'hand in' => HandIn::class,
        'give time' => GiveTime::class,
        'close' => Close::class,
        'pause' => Pause::class,
        'resume' => Resume::class,
    ];

    /** When the latest act came; what is none is as if it had not come. */
    private Instant $latest;
    /** The latest moment that was written, at an act or not: nothing may come before it. */
    private Instant $written;

    public function __construct(private readonly Paper $paper)
    {
        $this->latest = $this->written = Instant::start();
    }

    /** @throws Refused if it is no act, or comes before an earlier one */
    public function act(mixed $written): Act
    {
        $written = is_array($written) ? $written : [];
        $do = $written['do'] ?? null;
        $at = Moment::read($written['at'] ?? null);
        $isBackwards = $at?->isBefore($this->written) === true;
        $this->written = $this->written->later($at ?? $this->written);
        $class = is_string($do) ? self::NAMES[$do] ?? null : null;
        if ($class === null) {
            throw Refused::because(Refusal::UnknownAct);
        }
        if ($at === null || ($class === Start::class && !$at->is(Instant::start()))) {
            throw Refused::because(Refusal::MomentMalformed);
        }
        if ($isBackwards) {
            throw Refused::because(Refusal::Backwards);
        }
        self::refuseFields($class, $written);
        $act = $this->read($class, $at, $written);
        $this->latest = $at;

        return $act;
    }

    /**
     * @param value-of<self::NAMES> $class
     * @param array<array-key, mixed> $written
     */
    private function read(string $class, Instant $at, array $written): Act
    {
        $question = self::text($written, 'question');
        $step = self::text($written, 'step');

        return match ($class) {
            Start::class => new Start($at),
            Save::class => new Save($at, (string) $question, $this->given((string) $question, $written)),
            Check::class => new Check(
                $at,
                (string) $question,
                array_key_exists('response', $written) ? $this->given((string) $question, $written) : null,
            ),
            OpenHint::class => new OpenHint($at, (string) $question),
            GoOn::class => new GoOn($at),
            MoveTo::class => $question === null ? MoveTo::page($at, (string) $step) : MoveTo::question($at, $question),
            Flag::class => new Flag($at, (string) $question, self::on($written)),
            HandIn::class => new HandIn($at),
            GiveTime::class => new GiveTime($at, self::seconds($written['seconds'] ?? null), self::clock($written)),
            Close::class => new Close($at),
            Pause::class => new Pause($at),
            Resume::class => new Resume($at),
        };
    }

    public function latest(): Instant
    {
        return $this->latest;
    }

    /**
     * @param value-of<self::NAMES> $class
     * @param array<array-key, mixed> $written
     */
    private static function refuseFields(string $class, array $written): void
    {
        foreach (self::FIELDS[$class] as $field => $needed) {
            if ($needed && !array_key_exists($field, $written)) {
                throw Refused::field($field, Refusal::Missing);
            }
        }
        if ($class === MoveTo::class && !array_key_exists('question', $written) && !array_key_exists('step', $written)) {
            throw Refused::field('question', Refusal::Missing);
        }
        foreach (array_keys($written) as $field) {
            if (!in_array($field, ['do', 'at'], true) && !isset(self::FIELDS[$class][$field])) {
                throw Refused::field((string) $field, Refusal::Unexpected);
            }
        }
        if ($class === MoveTo::class && array_key_exists('question', $written) && array_key_exists('step', $written)) {
            throw Refused::field('step', Refusal::Unexpected);
        }
    }

    /** @param array<array-key, mixed> $written */
    private static function text(array $written, string $field): ?string
    {
        if (!array_key_exists($field, $written)) {
            return null;
        }

        return is_string($written[$field]) ? $written[$field] : throw Refused::field($field, Refusal::Malformed);
    }

    /**
     * Of a question that the form has not it is never asked for.
     *
     * @param array<array-key, mixed> $written
     */
    private function given(string $question, array $written): Given
    {
        $response = $written['response'] ?? null;
        if ($response !== null && (!is_array($response) || ($response !== [] && array_is_list($response)))) {
            throw Refused::field('response', Refusal::Malformed);
        }
        $place = $this->paper->questionNamed($question);

        return $place === null ? Given::of(Response::blank()) : Given::read($place, $response);
    }

    /** @param array<array-key, mixed> $written */
    private static function on(array $written): bool
    {
        $on = $written['on'] ?? null;

        return is_bool($on) ? $on : throw Refused::field('on', Refusal::Malformed);
    }

    private static function seconds(mixed $written): Duration
    {
        $time = Moment::read($written)?->since(Instant::start());

        return $time?->isPositive() === true ? $time : throw Refused::field('seconds', Refusal::Malformed);
    }

    /** @param array<array-key, mixed> $written */
    private static function clock(array $written): Clock
    {
        $clock = $written['clock'] ?? null;
        if ($clock === ClockKind::Whole || !array_key_exists('clock', $written)) {
            return Clock::whole();
        }
        $name = is_array($clock) && count($clock) === 1 ? $clock['section'] ?? ($clock['question'] ?? null) : null;
        if (!is_array($clock) || !is_string($name)) {
            throw Refused::field('clock', Refusal::Malformed);
        }

        return isset($clock['section']) ? Clock::section($name) : Clock::question($name);
    }
}
