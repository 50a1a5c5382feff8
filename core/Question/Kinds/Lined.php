<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Kinds;

use Zetema\Core\Question\Answers\Choice;
use Zetema\Core\Question\Response\Response;
use Zetema\Core\Question\Scoring\Criterion;

/** The lines of a question's answers: what each is called and what it says. */
interface Lined
{
    /** @return list<int> stable ids of its lines, in the order written */
    public function lineIds(): array;

    /** @return list<Choice> what there is to choose from, in the order written; empty where one types */
    public function choices(): array;

    /**
     * What its answers themselves say to a response.
     *
     * @param list<Criterion> $found of its scoring, in the response
     *
     * @return list<string>
     */
    public function says(Response $response, array $found): array;

    /** Whether any of its answers says something of its own. */
    public function saysAnything(): bool;

    /** @return list<string> wordings of the right answer, which no hint should give away */
    public function keyTexts(): array;
}
