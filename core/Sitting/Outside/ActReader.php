<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\Outside;

use Zetema\Core\Sitting\Event\Clock;
use Zetema\Core\Sitting\Run\Act;
use Zetema\Core\Sitting\Run\Refused;

/** Reads what was done as it is written down: {"at":"12.5","do":"save","question":"trim","response":{"choose":[1]}}. */
final class ActReader
{
    /** Fields of each act, beside its time; true where one must be there. */
    private const FIELDS = [
        Act::START => [],
        Act::SAVE => ['question' => true, 'response' => true],
        Act::CHECK => ['question' => true, 'response' => false],
        Act::HINT => ['question' => true],
        Act::GO_ON => [],
        Act::GO_TO => ['question' => false, 'step' => false],
        Act::FLAG => ['question' => true, 'on' => true],
        Act::HAND_IN => [],
        Act::GIVE_TIME => ['seconds' => true, 'clock' => false],
        Act::CLOSE => [],
    ];

    /** When the latest act came; what is none is as if it had not come. */
    private int $latest = 0;
    /** The latest moment that was written, at an act or not: nothing may come before it. */
    private int $written = 0;

    /** @throws Refused if it is no act, or comes before an earlier one */
    public function act(mixed $written): Act
    {
        $written = is_array($written) ? $written : [];
        $do = $written['do'] ?? null;
        $at = Moment::read($written['at'] ?? null);
        $isBackwards = $at < $this->written;
        $this->written = max($at ?? 0, $this->written);
        if (!is_string($do) || !isset(self::FIELDS[$do])) {
            throw new Refused('do/unknown');
        }
        if ($at === null || ($do === Act::START && $at !== 0)) {
            throw new Refused('at/malformed');
        }
        if ($isBackwards) {
            throw new Refused('at/backwards');
        }
        $this->refuseFields($do, $written);
        $act = new Act(
            $do,
            $at,
            self::text($written, 'question'),
            self::text($written, 'step'),
            array_key_exists('response', $written),
            self::response($written),
            self::on($written),
            $do === Act::GIVE_TIME ? self::seconds($written['seconds'] ?? null) : 0,
            $do === Act::GIVE_TIME ? self::clock($written) : null,
        );
        $this->latest = $at;

        return $act;
    }

    public function latest(): int
    {
        return $this->latest;
    }

    /** @param array<array-key, mixed> $written */
    private function refuseFields(string $do, array $written): void
    {
        foreach (self::FIELDS[$do] as $field => $needed) {
            if ($needed && !array_key_exists($field, $written)) {
                throw new Refused($field . '/missing');
            }
        }
        if ($do === Act::GO_TO && !array_key_exists('question', $written) && !array_key_exists('step', $written)) {
            throw new Refused('question/missing');
        }
        foreach (array_keys($written) as $field) {
            if (!in_array($field, ['do', 'at'], true) && !isset(self::FIELDS[$do][$field])) {
                throw new Refused($field . '/unexpected');
            }
        }
        if ($do === Act::GO_TO && array_key_exists('question', $written) && array_key_exists('step', $written)) {
            throw new Refused('step/unexpected');
        }
    }

    /** @param array<array-key, mixed> $written */
    private static function text(array $written, string $field): ?string
    {
        if (!array_key_exists($field, $written)) {
            return null;
        }

        return is_string($written[$field]) ? $written[$field] : throw new Refused($field . '/malformed');
    }

    /** @param array<array-key, mixed> $written */
    private static function response(array $written): mixed
    {
        $response = $written['response'] ?? null;

        return $response === null || (is_array($response) && ($response === [] || !array_is_list($response))) ? $response : throw new Refused('response/malformed');
    }

    /** @param array<array-key, mixed> $written */
    private static function on(array $written): bool
    {
        $on = $written['on'] ?? null;
        if (array_key_exists('on', $written) && !is_bool($on)) {
            throw new Refused('on/malformed');
        }

        return $on === true;
    }

    private static function seconds(mixed $written): int
    {
        $micros = Moment::read($written);

        return $micros !== null && $micros > 0 ? $micros : throw new Refused('seconds/malformed');
    }

    /** @param array<array-key, mixed> $written */
    private static function clock(array $written): Clock
    {
        $clock = $written['clock'] ?? null;
        if ($clock === Clock::WHOLE || !array_key_exists('clock', $written)) {
            return Clock::whole();
        }
        $name = is_array($clock) && count($clock) === 1 ? $clock['section'] ?? $clock['question'] ?? null : null;
        if (!is_array($clock) || !is_string($name)) {
            throw new Refused('clock/malformed');
        }

        return isset($clock['section']) ? Clock::section($name) : Clock::question($name);
    }
}
