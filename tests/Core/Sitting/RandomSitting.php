<?php

declare(strict_types=1);

namespace Zetema\Tests\Core\Sitting;

use Zetema\Core\Blueprint\Blueprint;
use Zetema\Core\Blueprint\Reading\BlueprintReader;
use Zetema\Core\Blueprint\Reading\BlueprintRefused;
use Zetema\Core\Blueprint\Step\QuestionStep;
use Zetema\Core\Drawing\Chance;
use Zetema\Core\Numbers\Ratio;
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
use Zetema\Core\Sitting\Act\Resume;
use Zetema\Core\Sitting\Act\Save;
use Zetema\Core\Sitting\Event\Clock;
use Zetema\Core\Sitting\Paper\Paper;
use Zetema\Core\Sitting\Run\Terms;
use Zetema\Core\Time\Duration;
use Zetema\Core\Time\Instant;

/** Blueprints and acts at random, from a seed: all that can be set, all that can be done, at the wrong time too. */
final class RandomSitting
{
    private readonly Chance $chance;
    private Instant $at;

    public function __construct(int $seed, private readonly ListedBank $bank)
    {
        $this->chance = new Chance($seed);
        $this->at = Instant::start();
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
        return new Terms(Ratio::of($this->one('1', '1.25', '2')), $this->chance->below(4) === 0 ? Instant::start()->plus(Duration::seconds(200)) : null);
    }

    /** Some time later. */
    public function act(Paper $paper): Act
    {
        $this->at = $this->at->plus(Duration::seconds($this->one(0, 1, 1, 2, 5, 20)));
        $names = array_map(strval(...), array_keys($paper->placeOf));
        $name = $names[$this->chance->below(max(1, count($names)))];
        $clock = $this->chance->below(2) === 0 ? Clock::whole() : Clock::question($name);
        $do = $this->one('save', 'save', 'check', 'check', 'hint', 'on', 'on', 'on', 'to', 'flag', 'time', 'pause', 'resume', 'resume', ...$this->chance->below(15) === 0 ? ['hand in', 'close'] : []);
        $given = Given::of(Response::blank());
        if (isset($paper->placeOf[$name])) {
            $given = Given::read($paper->questionNamed($name) ?? throw new \LogicException('it is in the paper'), $this->response($name));
        }

        return match ($do) {
            'save' => new Save($this->at, $name, $given),
            'check' => new Check($this->at, $name, $this->chance->below(3) > 0 ? $given : null),
            'hint' => new OpenHint($this->at, $name),
            'on' => new GoOn($this->at),
            'to' => MoveTo::question($this->at, $name),
            'flag' => new Flag($this->at, $name, true),
            'time' => new GiveTime($this->at, Duration::seconds(3), $clock),
            'pause' => new Pause($this->at),
            'resume' => new Resume($this->at),
            'hand in' => new HandIn($this->at),
            default => new Close($this->at),
        };
    }

    public function now(): Instant
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
                $steps[] = [
                    'id' => 'c' . $s,
                    'checkpoint' => [
                        'announced' => $this->chance->below(2) === 0,
                        'routes' => [['when' => ['points' => 'all', 'is' => $this->one('>', '<'), 'value' => $this->one('1', '3')], 'to' => $this->one('next', 'end', 's' . ($s + 1))]],
                    ],
                ];
            }
            $sections[] = [
                'id' => 's' . $s,
                'steps' => $steps,
                ...$this->chance->below(3) === 0 ? ['time' => $this->one('20 s', '40 s')] : [],
                'rules' => [
                    'moving' => $this->one('forward only', 'forward only', 'any order'),
                    'screen' => $this->one('question', 'question', 'section'),
                    'feedback' => $this->one('after each attempt', 'after the last attempt', 'at the end'),
                ],
            ];
        }

        return [
            'v' => 2,
            'title' => 'T',
            'sections' => $sections,
            'tallies' => [['name' => 'patience']],
            'rules' => ['runningOut' => $this->one('as it stands', 'unanswered'), ...$this->chance->below(2) === 0 ? ['key' => true, 'reshuffle' => true] : [], ...$this->chance->below(2) === 0 ? ['time' => '90 s'] : []],
        ];
    }

    /** @return array<string, mixed> */
    private function step(string $name, string $id, bool $refreshers): array
    {
        if ($this->chance->below(6) === 0) {
            return ['id' => 'p' . $id, 'page' => 'reading'];
        }
        $settings = [
            ...$this->chance->below(3) === 0 ? ['time' => '15 s'] : [],
            ...$this->chance->below(4) === 0 ? ['attempts' => $this->one('1', '3', 'unlimited')] : [],
            ...$this->chance->below(4) === 0 ? ['late' => $this->one('marks', 'blank')] : [],
            ...$this->chance->below(5) === 0 ? ['points' => '7'] : [],
        ];
        $refresher =
            $refreshers && $this->chance->below(3) === 0
                ? [
                    'refresher' => [
                        'pages' => $this->one(['care'], ['care', 'second']),
                        'rounds' => $this->one(1, 2),
                        'stands' => $this->one('last', 'best', 'first'),
                        'clock' => $this->one('stops', 'runs on'),
                        'time' => $this->one('goes on', 'afresh'),
                    ],
                ]
                : [];

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
