<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Review;

use Doctrine\DBAL\Types\Types;
use Doctrine\ORM\EntityManagerInterface;
use Psr\Clock\ClockInterface;
use Zetema\App\Bank\Question\Question;
use Zetema\App\People\Account;
use Zetema\App\Shared\Saving;
use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Malformed;

/** Comments at the lines of questions, and who has a question open now. */
final readonly class Comments
{
    public function __construct(private EntityManagerInterface $em, private Saving $saving, private ClockInterface $clock)
    {
    }

    public function make(Question $question, Fields $body, Account $author): void
    {
        $comment = new Comment($question, mb_substr($body->text('where', ''), 0, 40), self::text($body), $author, $this->clock->now());
        $this->saving->make(fn () => $this->em->persist($comment));
    }

    /** Answers, closes or opens again. Two who do so at once are one after the other, and nothing of either is lost. */
    public function answerOrClose(Comment $comment, Fields $body, Account $account): Question
    {
        return $this->saving->change(
            Comment::class,
            $comment->id,
            null,
            function (Comment $comment) use ($body, $account): Question {
                $who = $this->saving->again(Account::class, $account->id);
                if ($body->has('text')) {
                    $comment->answer($who, self::text($body), $this->clock->now());
                }
                if ($body->has('closed')) {
                    $body->flag('closed') ? $comment->close($who, $this->clock->now()) : $comment->close(null, null);
                }
                $this->em->flush();

                return $comment->question;
            },
            'This comment was answered or closed by someone else at the same moment; look at it again.',
            static fn (Comment $comment): array => $comment->toData(),
        );
    }

    /** @return list<string> names of the others who have it open */
    public function here(Question $question, Account $account): array
    {
        $now = $this->clock->now();
        $this->em
            ->getConnection()
            ->executeStatement(
                'INSERT INTO presence (question_id, account_id, seen_at) VALUES (?, ?, ?) ON CONFLICT (question_id, account_id) DO UPDATE SET seen_at = excluded.seen_at',
                [$question->id, $account->id, $now],
                [2 => Types::DATETIME_IMMUTABLE],
            );
        $others = [];
        foreach ($this->em->getRepository(Presence::class)->findBy(['question' => $question]) as $presence) {
            if ($presence->account !== $account && $presence->isHere($now)) {
                $others[] = $presence->account->name;
            }
        }

        return $others;
    }

    private static function text(Fields $body): string
    {
        $text = trim($body->text('text'));

        return $text !== '' && mb_strlen($text) <= 2_000 ? $text : throw new Malformed('text', 'must have 1 to 2,000 characters');
    }
}
