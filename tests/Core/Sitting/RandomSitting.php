<?php

declare(strict_types=1);

namespace Zetema\Tests\Core\Sitting;

use Zetema\Core\Blueprint\Blueprint;
use Zetema\Core\Blueprint\Reading\BlueprintReader;
use Zetema\Core\Blueprint\Reading\BlueprintRefused;
use Zetema\Core\Blueprint\Step\QuestionStep;
use Zetema\Core\Drawing\Chance;
use Zetema\Core\Numbers\Ratio;
use Zetema\Core\Sitting\Event\Clock;
use Zetema\Core\Sitting\Paper\Paper;
use Zetema\Core\Sitting\Run\Act;
use Zetema\Core\Sitting\Run\Terms;

/** Blueprints and acts at random, from a seed: all that can be set, all that can be done, at the wrong time too. */
final class RandomSitting
{
    private readonly Chance $chance;
    private int $at = 0;

    public function __construct(int $seed, private readonly ListedBank $bank)
    {
        $this->chance = new Chance($seed);
    }

    public function blueprint(bool $refreshers = true): Blueprint
    {
        while (true) {
            try {
                $blueprint = BlueprintReader::read($this->document($refreshers), $this->bank);
                if (array_filter($blueprint->steps(), static fn (array $step): bool => $step[1] instanceof QuestionStep) !== []) {
                    return $blueprint;
                }
            } catch (BlueprintRefused) {
                continue; // another one
            }
        }
    }

    public function terms(): Terms
    {
        return new Terms(Ratio::of($this->one('1', '1.25', '2')), $this->chance->below(4) === 0 ? 200 * Terms::SECOND : null);
    }

    /** Some time later. */
    public function act(Paper $paper): Act
    {
        $this->at += $this->one(0, 1, 1, 2, 5, 20) * Terms::SECOND;
        $names = array_map(strval(...), array_keys($paper->placeOf));
        $name = $names[$this->chance->below(max(1, count($names)))];
        $do = $this->one(Act::SAVE, Act::SAVE, Act::CHECK, Act::CHECK, Act::HINT, Act::GO_ON, Act::GO_ON, Act::GO_ON, Act::GO_TO, Act::FLAG, Act::GIVE_TIME, ...($this->chance->below(15) === 0 ? [Act::HAND_IN, Act::CLOSE] : []));
        $says = $do === Act::SAVE || $this->chance->below(3) > 0;
        $ofQuestion = in_array($do, [Act::SAVE, Act::CHECK, Act::HINT, Act::GO_TO, Act::FLAG], true);

        return new Act($do, $this->at, $ofQuestion ? $name : null, null, $says, $this->response($name), true, 3 * Terms::SECOND, $this->chance->below(2) === 0 ? Clock::whole() : Clock::question($name));
    }

    public function now(): int
    {
        return $this->at;
    }

    private function response(string $name): mixed
    {
        return match ($name) {
            'count' => ['text' => $this->one('4', '5', 'many')],
            'bay' => ['text' => $this->one('north bay', 'x')],
            'crew' => ['pairs' => $this->one(['1' => '1'], ['1' => '1', '2' => '2'], ['1' => '3'])],
            'float' => ['choose' => $this->one([1], [1, 2], [1, 3])],
            default => $this->one(['choose' => [1]], ['choose' => [2]], ['choose' => [3]], null),
        };
    }

    /** @return array<string, mixed> */
    private function document(bool $refreshers): array
    {
        $names = $this->chance->shuffled(['trim', 'oar', 'count', 'float', 'crew', 'fork', 'sure', 'bay']);
        $sections = [];
        for ($s = 0; $s < 1 + $this->chance->below(3) && $names !== []; ++$s) {
            $steps = [];
            for ($i = 0; $i < 1 + $this->chance->below(4) && $names !== []; ++$i) {
                $steps[] = $this->step(array_pop($names), $s . $i, $refreshers);
            }
            if ($this->chance->below(3) === 0) {
                $steps[] = ['id' => 'c' . $s, 'checkpoint' => ['announced' => $this->chance->below(2) === 0, 'routes' => [['when' => ['points' => 'all', 'is' => $this->one('>', '<'), 'value' => $this->one('1', '3')], 'to' => $this->one('next', 'end', 's' . ($s + 1))]]]];
            }
            $sections[] = ['id' => 's' . $s, 'steps' => $steps, ...($this->chance->below(3) === 0 ? ['time' => $this->one('20 s', '40 s')] : []), 'rules' => [
                'moving' => $this->one('forward only', 'forward only', 'any order'), 'screen' => $this->one('question', 'question', 'section'), 'feedback' => $this->one('after each attempt', 'after the last attempt', 'at the end'),
            ]];
        }

        return ['v' => 2, 'title' => 'T', 'sections' => $sections, 'tallies' => [['name' => 'patience']], 'rules' => ['runningOut' => $this->one('as it stands', 'unanswered'), ...($this->chance->below(2) === 0 ? ['key' => true, 'reshuffle' => true] : []), ...($this->chance->below(2) === 0 ? ['time' => '90 s'] : [])]];
    }

    /** @return array<string, mixed> */
    private function step(string $name, string $id, bool $refreshers): array
    {
        if ($this->chance->below(6) === 0) {
            return ['id' => 'p' . $id, 'page' => 'reading'];
        }
        $settings = [...($this->chance->below(3) === 0 ? ['time' => '15 s'] : []), ...($this->chance->below(4) === 0 ? ['attempts' => $this->one('1', '3', 'unlimited')] : []), ...($this->chance->below(4) === 0 ? ['late' => $this->one('marks', 'blank')] : []), ...($this->chance->below(5) === 0 ? ['points' => '7'] : [])];
        $refresher = $refreshers && $this->chance->below(3) === 0 ? ['refresher' => ['pages' => $this->one(['care'], ['care', 'second']), 'rounds' => $this->one(1, 2), 'stands' => $this->one('last', 'best', 'first'), 'clock' => $this->one('stops', 'runs on'), 'time' => $this->one('goes on', 'afresh')]] : [];

        return ['id' => $name, 'question' => $name, 'settings' => $settings, ...$refresher];
    }

    /**
     * @template T
     *
     * @param T ...$of
     *
     * @return T
     */
    private function one(mixed ...$of): mixed
    {
        $of = array_values($of);

        return $of[$this->chance->below(max(1, count($of)))];
    }
}
