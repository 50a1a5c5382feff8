<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\Act;

use Zetema\Core\Data\Malformed;
use Zetema\Core\Question\Response\Response;
use Zetema\Core\Sitting\Paper\QuestionPlace;

/**
 * A response as it came with an act, read once. One that is none of its question's is refused in its turn: that the question is not on
 * this screen is told before.
 */
final readonly class Given
{
    private function __construct(private ?Response $response, private ?Refused $refused)
    {
    }

    public static function of(Response $response): self
    {
        return new self($response, null);
    }

    /**
     * @param mixed $written as in marking.md, choices by number in the order written; null clears. While it is being filled in it may have
     *   fewer choices than asked for
     */
    public static function read(QuestionPlace $place, mixed $written): self
    {
        try {
            return self::of($place->question->kind->response($written, $place->settings, complete: false));
        } catch (Malformed) {
            return new self(null, Refused::field($place->question->kind::id()->facts()->field, Refusal::Malformed));
        }
    }

    /** @throws Refused if it is none */
    public function response(): Response
    {
        return $this->response ?? throw $this->refused ?? new \LogicException('it is one or the other');
    }
}
