<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting;

use Zetema\Core\Question\Feedback\Outcome;
use Zetema\Core\Question\Response\Response;
use Zetema\Core\Question\Settings\Setting;

/** How far a candidate has come with one question. */
final readonly class SheetState
{
    /** @param list<Attempt> $attempts */
    public function __construct(
        public Response $saved,
        public array $attempts = [],
        public int $hintsOpened = 0,
        public bool $flagged = false,
    ) {
    }

    public static function untouched(): self
    {
        return new self(Response::blank());
    }

    /** A right response closes a question; so does the last attempt. */
    public function isClosed(Sheet $sheet): bool
    {
        $last = $this->attempts === [] ? null : $this->attempts[count($this->attempts) - 1];
        $allowed = $sheet->settings->attempts();

        return $last !== null && ($last->verdict->outcome === Outcome::Right || ($allowed !== null && count($this->attempts) >= $allowed));
    }

    /** The attempt whose verdict counts: the last, or the best, of equals the earlier. */
    public function standing(Sheet $sheet): ?Attempt
    {
        $standing = null;
        foreach ($this->attempts as $attempt) {
            if ($standing === null || $sheet->settings->get(Setting::Stands) !== 'best' || $attempt->verdict->earned->compare($standing->verdict->earned) > 0) {
                $standing = $attempt;
            }
        }

        return $standing;
    }

    public function saving(Response $response): self
    {
        return new self($response, $this->attempts, $this->hintsOpened, $this->flagged);
    }

    public function attempted(Attempt $attempt): self
    {
        return new self($attempt->response, [...$this->attempts, $attempt], $this->hintsOpened, $this->flagged);
    }

    public function openingHint(): self
    {
        return new self($this->saved, $this->attempts, $this->hintsOpened + 1, $this->flagged);
    }

    public function flagging(bool $flagged): self
    {
        return new self($this->saved, $this->attempts, $this->hintsOpened, $flagged);
    }
}
