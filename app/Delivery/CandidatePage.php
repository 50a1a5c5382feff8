<?php

declare(strict_types=1);

namespace Zetema\App\Delivery;

use Zetema\App\Bank\Media\Media;
use Zetema\Core\Sitting as Core;
use Zetema\Core\Sitting\Mentions;

/** What a candidate's page is told, with the pages and files that the author's texts in it mention, and no others. */
final readonly class CandidatePage
{
    public function __construct(private Media $media)
    {
    }

    /** @return array<string, mixed> */
    public function running(Sitting $sitting, Core\Sitting $run, int $now): array
    {
        $mentions = new Mentions();
        $view = Core\CandidateView::of($run, $now, $mentions);

        return [...$view, ...$this->media->mentioned($sitting->blueprint->bank, $mentions)];
    }

    /** @return array<string, mixed> */
    public function review(Sitting $sitting, Core\Sitting $run): array
    {
        $mentions = new Mentions();
        $review = Core\Review::of($run, $mentions);

        return [...$review, ...$this->media->mentioned($sitting->blueprint->bank, $mentions)];
    }
}
