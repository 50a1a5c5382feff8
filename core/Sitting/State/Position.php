<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\State;

use Zetema\Core\Blueprint\Step\Lead;

/** Where a candidate is. */
final readonly class Position
{
    /**
     * @param int $node of the paper; of a lead's page or a refresher its question's
     * @param string $page the page's name, off the running order
     * @param int $number which page of a refresher, from 0
     */
    private function __construct(
        public At $kind,
        public int $node = -1,
        public string $page = '',
        public ?Lead $lead = null,
        public int $number = 0,
    ) {
    }

    public static function before(): self
    {
        return new self(At::Before);
    }

    public static function node(int $node): self
    {
        return new self(At::Node, $node);
    }

    /** A page that a choice leads to. */
    public static function lead(int $node, string $page, Lead $lead): self
    {
        return new self(At::Lead, $node, $page, $lead);
    }

    public static function refresher(int $node, string $page, int $number): self
    {
        return new self(At::Refresher, $node, $page, null, $number);
    }

    /** Behind the last step, not handed in. @param int $node the last of a stretch that one can go back to, or -1 */
    public static function end(int $node = -1): self
    {
        return new self(At::End, $node);
    }

    public static function over(): self
    {
        return new self(At::Over);
    }

    public function isAt(At $kind): bool
    {
        return $this->kind === $kind;
    }
}
