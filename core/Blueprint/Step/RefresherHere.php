<?php

declare(strict_types=1);

namespace Zetema\Core\Blueprint\Step;

use Zetema\Core\Blueprint\Rules\RefresherRule;

/** What a step says about what is read again after a question failed. */
final readonly class RefresherHere
{
    /**
     * @param bool $dropped whether the question's own does not count
     * @param list<string>|null $pages in their order; null: the question's own
     */
    private function __construct(public bool $isTyped, public bool $dropped, public ?array $pages, public RefresherRule $rule)
    {
    }

    public static function nothing(): self
    {
        return new self(false, false, null, new RefresherRule());
    }

    public static function dropped(): self
    {
        return new self(false, true, null, new RefresherRule());
    }

    /** @param list<string>|null $pages */
    public static function typed(?array $pages, RefresherRule $differs): self
    {
        return new self(true, false, $pages, $differs);
    }

    /** @return list<string> the pages that count for a question whose own is given; none: it has no refresher */
    public function pagesFor(?string $own): array
    {
        if ($this->dropped) {
            return [];
        }

        return $this->pages ?? ($own === null ? [] : [$own]);
    }
}
