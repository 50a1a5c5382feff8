<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Review;

use Doctrine\ORM\EntityManagerInterface;
use Psr\Clock\ClockInterface;
use Zetema\App\Bank\Question\Question;
use Zetema\App\People\Account;
use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Malformed;

/** Remarks at the lines of questions, and who has a question open now. */
final readonly class Remarks
{
    public function __construct(private EntityManagerInterface $em, private ClockInterface $clock)
    {
    }

    public function make(Question $question, Fields $body, Account $author): void
    {
        $this->em->persist(new Remark($question, mb_substr($body->text('where', ''), 0, 40), self::text($body), $author, $this->clock->now()));
        $this->em->flush();
    }

    /** Answers, closes or opens again. */
    public function answerOrClose(Remark $remark, Fields $body, Account $account): void
    {
        if ($body->has('text')) {
            $remark->answer($account, self::text($body), $this->clock->now());
        }
        if ($body->has('closed')) {
            $body->flag('closed') ? $remark->close($account, $this->clock->now()) : $remark->close(null, null);
        }
        $this->em->flush();
    }

    /** @return list<string> names of the others who have it open */
    public function here(Question $question, Account $account): array
    {
        $now = $this->clock->now();
        $mine = null;
        $others = [];
        foreach ($this->em->getRepository(Presence::class)->findBy(['question' => $question]) as $presence) {
            if ($presence->account === $account) {
                $mine = $presence;
            } elseif ($presence->isHere($now)) {
                $others[] = $presence->account->name;
            }
        }
        if ($mine === null) {
            $this->em->persist(new Presence($question, $account, $now));
        } else {
            $mine->see($now);
        }
        $this->em->flush();

        return $others;
    }

    private static function text(Fields $body): string
    {
        $text = trim($body->text('text'));

        return $text !== '' && mb_strlen($text) <= 2_000 ? $text : throw new Malformed('text', 'must have 1 to 2,000 characters');
    }
}
