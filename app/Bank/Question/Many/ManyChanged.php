<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Question\Many;

use Zetema\Core\Question\Change\Changed;
use Zetema\Core\Question\Status;

/** One of many questions: as it stands, what a change comes to for it, and its status then. */
final readonly class ManyChanged
{
    public function __construct(public Standing $standing, public Changed $changed, public Status $status)
    {
    }

    public function isNone(): bool
    {
        return $this->changed->isNone();
    }

    /** Whether its text or settings change, or where it stands: then it gets a revision. */
    public function hasRevision(): bool
    {
        return $this->changed->objective !== null || $this->changed->sketch->data !== $this->standing->content;
    }

    /** Whether a comment is open about what is cleared by this, or would be if it were cleared again. */
    public function clearsCommented(): bool
    {
        return !$this->isNone() && $this->standing->isCommented && ($this->status === Status::Cleared || $this->becomesDraft());
    }

    /** Whether a cleared question gets a draft beside what is dealt. */
    public function becomesDraft(): bool
    {
        return $this->standing->status === Status::Cleared && $this->status === Status::Draft;
    }
}
