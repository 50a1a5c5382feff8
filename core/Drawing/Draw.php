<?php

declare(strict_types=1);

namespace Zetema\Core\Drawing;

use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Drawing\Stock\EligibleQuestion;
use Zetema\Core\Drawing\Stock\Pool;
use Zetema\Core\Question\Points;

/** "Take n of this pool", with the worth each is given here, if any. */
final readonly class Draw
{
    public function __construct(public int $take, public Pool $pool, public ?Points $points = null)
    {
        if ($take < 1 || $take > 500) {
            throw new Malformed('take', 'must be from 1 to 500');
        }
    }

    public static function fromData(Fields $data): self
    {
        $points = $data->optionalText('points');
        $data->only('take', 'pool', 'points');

        return new self($data->integer('take'), Pool::fromData($data->object('pool')), $points === null ? null : Points::of($points));
    }

    /** @return array<string, mixed> */
    public function toData(): array
    {
        return [
            'take' => $this->take,
            'pool' => (object) $this->pool->toData(),
            ...$this->points === null ? [] : ['points' => (string) $this->points],
        ];
    }

    /** What a question counts when it is drawn here: the draw's points where it has some and the question is graded. */
    public function worthOf(EligibleQuestion $question): Points
    {
        return $this->points !== null && !$question->worth->isZero() ? $this->points : $question->worth;
    }
}
