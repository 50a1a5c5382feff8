<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Question;

use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use Symfony\Bundle\SecurityBundle\Security;
use Zetema\App\Bank\Apart\ApartPairs;
use Zetema\App\Bank\Review\Comment;
use Zetema\App\Bank\Review\ProofreadingNotes;
use Zetema\App\People\Account;
use Zetema\App\Shared\Row;
use Zetema\Core\Question as Core;

/** One question as its author has it: page and margin, and what stands about it. */
final readonly class QuestionView
{
    public function __construct(
        private EntityManagerInterface $em,
        private Connection $db,
        private ProofreadingNotes $proofs,
        private Security $security,
        private Clearances $clearances,
        private ApartPairs $apart,
    ) {
    }

    /** @return array<string, mixed> */
    public function of(Question $question): array
    {
        $newest = $question->newest();
        $revisions = $this->revisions($question);
        $comments = $this->em->getRepository(Comment::class)->findBy(['question' => $question], ['id' => 'ASC']);

        return [
            'id' => $question->id,
            'bank' => ['id' => $question->bank->id, 'name' => $question->bank->name()],
            'version' => $question->version(),
            'name' => $question->name(),
            'objective' => $question->objective()?->path,
            'status' => $question->status()->value,
            'next' => $this->next($question),
            'mayNotClear' => $this->mayNotClear($question),
            'revision' => $newest->number,
            'clearedRevision' => $question->cleared()?->number,
            'savedAt' => $newest->savedAt()->format(DATE_ATOM),
            'savedBy' => $revisions[0]['by'] ?? $newest->author->name,
            'content' => (object) $newest
                ->kind()
                ->facts()
                ->complete($newest->isWhole() ? $newest->question()->toData() : $newest->content()),
            'problem' => self::onScreen($newest->problem()),
            'margin' => $newest->isWhole() ? (new QuestionMargin($newest->question(), $question->bank->settings()))->toData() : null,
            'bankSettings' => (object) array_filter(
                $question->bank->settings()->for($newest->kind())->values,
                static fn (string $value, string $word): bool => Core\Question::kindTakes(
                    $newest->kind(),
                    Core\Settings\Setting::from($word),
                    $value,
                ),
                ARRAY_FILTER_USE_BOTH,
            ),
            'wording' => (object) $question->bank->settings()->wordingFor($newest->kind()),
            'proofs' => $this->proofs->of($question),
            'comments' => array_map(static fn (Comment $r): array => $r->toData(), $comments),
            'selfNote' => $this->role() === Core\BankRole::Author ? $question->selfNote() : '',
            'apart' => $this->apart->told($question->id),
            'isPattern' => $question->isPattern(),
            'neighbours' => $this->neighbours($question),
            'revisions' => $revisions,
        ];
    }

    /**
     * @return list<array{number: int, by: string, savedAt: string, cleared: bool}> newest first; as rows, since what they hold is asked for
     *   one by one
     */
    private function revisions(Question $question): array
    {
        $rows = $this->db->fetchAllNumeric(
            'SELECT r.number, a.name, r.saved_at, r.id FROM revision r JOIN account a ON a.id = r.author_id WHERE r.question_id = ? ORDER BY r.number DESC',
            [$question->id],
        );

        return array_map(
            static fn (array $row): array => [
                'number' => Row::int($row[0]),
                'by' => is_string($row[1]) ? $row[1] : '',
                'savedAt' => (new \DateTimeImmutable(is_string($row[2]) ? $row[2] : ''))->format(DATE_ATOM),
                'cleared' => $row[3] === $question->cleared()?->id,
            ],
            $rows,
        );
    }

    /** @return list<string> what whoever asks may make of its status */
    private function next(Question $question): array
    {
        $role = $this->role();

        return $role === null ? [] : array_map(static fn (Core\Status $status): string => $status->value, $question->status()->next($role));
    }

    private function role(): ?Core\BankRole
    {
        $account = $this->security->getUser();

        return $account instanceof Account ? $account->role->inTheBank() : null;
    }

    /** Why whoever asks may not clear it; null: they may, as far as it is a step at all. */
    private function mayNotClear(Question $question): ?string
    {
        $account = $this->security->getUser();

        return $account instanceof Account && !$this->clearances->let($question, $account) ? Core\Clearing::REFUSED : null;
    }

    /**
     * What is missing, without the hint how it would be written in the text format.
     *
     * @param array{field: string|null, message: string}|null $problem
     *
     * @return array{field: string|null, message: string}|null
     */
    private static function onScreen(?array $problem): ?array
    {
        return $problem === null
            ? null
            : [
                'field' => $problem['field'],
                'message' => trim(preg_replace('/[;(][^;]*[“`][a-z ]+( \d+)?:[”` ].*$/u', '', $problem['message']) ?? ''),
            ];
    }

    /** @return array{place: int, of: int, previous: int|null, next: int|null} among the questions of the same objective */
    private function neighbours(Question $question): array
    {
        $same = 'FROM question WHERE bank_id = :bank AND objective_id IS NOT DISTINCT FROM :objective';
        $place = $this->db->fetchOne('SELECT place FROM question WHERE id = ?', [$question->id]);
        $row = $this->db->fetchAssociative(
            "SELECT (SELECT COUNT(*) $same AND (place, id) <= (:place, :id)) AS place, (SELECT COUNT(*) $same) AS of_all, (SELECT id $same AND (place, id) < (:place, :id) ORDER BY place DESC, id DESC LIMIT 1) AS previous, (SELECT id $same AND (place, id) > (:place, :id) ORDER BY place, id LIMIT 1) AS next",
            ['bank' => $question->bank->id, 'objective' => $question->objective()?->id, 'place' => $place, 'id' => $question->id],
        );
        $id = static fn (mixed $value): ?int => Row::optionalInt($value);

        return [
            'place' => $id($row['place'] ?? null) ?? 1,
            'of' => $id($row['of_all'] ?? null) ?? 1,
            'previous' => $id($row['previous'] ?? null),
            'next' => $id($row['next'] ?? null),
        ];
    }
}
