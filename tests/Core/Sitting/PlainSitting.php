<?php

declare(strict_types=1);

namespace Zetema\Tests\Core\Sitting;

use Zetema\Core\Blueprint\Outcome\Rung;
use Zetema\Core\Data\Fields;
use Zetema\Core\Numbers\Ratio;
use Zetema\Core\Question\Mentions;
use Zetema\Core\Question\Response\Response;
use Zetema\Core\Sitting\Act\Act;
use Zetema\Core\Sitting\Act\Check;
use Zetema\Core\Sitting\Act\Given;
use Zetema\Core\Sitting\Act\HandIn;
use Zetema\Core\Sitting\Act\OpenHint;
use Zetema\Core\Sitting\Act\Save;
use Zetema\Core\Sitting\Act\Start;
use Zetema\Core\Sitting\Candidate\CandidateView;
use Zetema\Core\Sitting\Candidate\Review;
use Zetema\Core\Sitting\Paper\Paper;
use Zetema\Core\Sitting\Run\Conduct;
use Zetema\Core\Sitting\Run\Terms;
use Zetema\Core\Sitting\State\State;
use Zetema\Core\Time\Duration;
use Zetema\Core\Time\Instant;

/** A sitting of a paper whose questions stand in one list, by their numbers there; what is refused fails the test. */
final class PlainSitting
{
    public readonly State $state;
    private readonly Conduct $conduct;
    private readonly Terms $terms;
    private int $at = 0;

    public function __construct(private readonly Paper $paper)
    {
        $this->terms = new Terms(Ratio::one());
        $this->conduct = new Conduct($paper, $this->terms);
        $this->state = $this->conduct->begin();
        $this->act(new Start($this->now()));
    }

    public function saved(int $n, Response $response): self
    {
        return $this->act(new Save($this->now(), $this->name($n), Given::of($response)));
    }

    public function checked(int $n, Response $response): self
    {
        return $this->act(new Check($this->now(), $this->name($n), Given::of($response)));
    }

    public function hint(int $n): self
    {
        return $this->act(new OpenHint($this->now(), $this->name($n)));
    }

    public function handedIn(): self
    {
        return $this->act(new HandIn($this->now()));
    }

    public function view(Mentions $mentions = new Mentions()): Fields
    {
        return Fields::ofJson(json_encode((new CandidateView($this->paper, $this->state, $this->terms, $mentions))->toData(Instant::micros($this->at)), JSON_THROW_ON_ERROR));
    }

    /** @param Rung|null $rung null: the one that the rules allow */
    public function review(?Rung $rung = null, Mentions $mentions = new Mentions()): Fields
    {
        $review = new Review($this->paper, $this->state, $mentions);

        return Fields::ofJson(json_encode($review->upTo($rung ?? $review->rung(isClosed: false)), JSON_THROW_ON_ERROR));
    }

    private function now(): Instant
    {
        return Instant::start()->plus(Duration::seconds($this->at++));
    }

    private function name(int $n): string
    {
        return array_values($this->paper->questions)[$n - 1]->name;
    }

    private function act(Act $act): self
    {
        $refused = $this->conduct->take($this->state, $act)->refused;

        return $refused === null ? $this : throw new \LogicException($refused->slug());
    }
}
