<?php

declare(strict_types=1);

namespace Zetema\App\Delivery;

use Doctrine\ORM\EntityManagerInterface;
use Zetema\App\Bank\Bank;
use Zetema\App\Bank\Media\Media;
use Zetema\App\Blueprint\Editions\Edition;
use Zetema\App\Blueprint\Editions\EditionPage;
use Zetema\Core\Blueprint\Outcome\Rung;
use Zetema\Core\Question\Mentions;
use Zetema\Core\Sitting\Candidate\CandidateView;
use Zetema\Core\Sitting\Candidate\Review;
use Zetema\Core\Time\Instant;

/** What a candidate's page is told, with the pages and files that the author's texts in it mention, and no others. */
final readonly class CandidatePage
{
    public function __construct(private Media $media, private EntityManagerInterface $em, private ClosedNow $closed)
    {
    }

    /** @return array<string, mixed> */
    public function running(Sitting $sitting, Going $going, Instant $now): array
    {
        $mentions = new Mentions();
        $view = (new CandidateView($going->paper, $going->state, $going->terms, $mentions))->toData($now);

        return PageAliases::veiled($view, $this->mentionedIn($sitting, $mentions));
    }

    /** @return array<string, mixed> */
    public function review(Sitting $sitting, Going $going, Instant $now): array
    {
        $mentions = new Mentions();
        $review = new Review($going->paper, $going->state, $mentions);
        $rung = $review->rung($this->closed->isFor($sitting, $now));
        $told = ['further' => !$rung->includes($review->rung(true)), ...$review->upTo($rung)];

        return PageAliases::veiled($told, $this->mentionedIn($sitting, $mentions));
    }

    /** @return array<string, mixed> all that a review could show, whatever the rules let the candidate see: for the author */
    public function wholePaper(Sitting $sitting, Going $going): array
    {
        $mentions = new Mentions();
        $told = (new Review($going->paper, $going->state, $mentions))->upTo(Rung::WithKey, allTallies: true);

        return ['further' => false, ...$told, ...$this->mentionedIn($sitting, $mentions)];
    }

    /**
     * @return list<array{name: string, heading: string|null, reads: string}>|null pages as they read when the edition was frozen; null in a
     *   rehearsal
     */
    private function frozen(?Edition $edition, Mentions $mentions): ?array
    {
        if ($edition === null) {
            return null;
        }
        $pages =
            $mentions->pages() === []
                ? []
                : $this->em->getRepository(EditionPage::class)->findBy(['edition' => $edition, 'name' => $mentions->pages()]);

        return array_map(
            static fn (EditionPage $page): array => ['name' => $page->name, 'heading' => $page->heading, 'reads' => $page->reads],
            $pages,
        );
    }

    /** @return array<string, mixed> the bank is asked, and its blueprint read, only if something is mentioned */
    private function mentionedIn(Sitting $sitting, Mentions $mentions): array
    {
        return $mentions->pages() === [] && $mentions->files() === []
            ? ['pages' => (object) [], 'media' => (object) []]
            : $this->mentioned($sitting->blueprint->bank, $sitting->edition, $mentions);
    }

    /** @return array<string, mixed> */
    public function mentioned(Bank $bank, ?Edition $edition, Mentions $mentions): array
    {
        return $this->media->mentioned($bank, $mentions, $this->frozen($edition, $mentions));
    }
}
