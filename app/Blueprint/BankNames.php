<?php

declare(strict_types=1);

namespace Zetema\App\Blueprint;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use Zetema\App\Bank\Bank;
use Zetema\App\Bank\Question\Question;
use Zetema\Core\Blueprint\Check\Known;
use Zetema\Core\Blueprint\Reading\NamedQuestions;
use Zetema\Core\Question as Core;

/**
 * The questions, pages and pools of a bank by the names that blueprints call them: a question's own name, or "q" and its number, which is
 * what is stored.
 */
final class BankNames implements Known
{
    /** @var array<string, Question|null> questions that were looked up, by what is stored */
    private array $questions = [];

    /** @param bool $withDrafts whether what is not cleared yet may stand in a running order, as while it is planned */
    public function __construct(
        private readonly EntityManagerInterface $em,
        private readonly Connection $db,
        private readonly Bank $bank,
        private readonly bool $withDrafts = false,
    ) {
    }

    /** The document as it is stored, questions by their ids; what names none stays as it is, to be told. */
    public function stored(mixed $document): mixed
    {
        $ids = $this->db->fetchAllKeyValue(
            'SELECT name, id FROM question WHERE bank_id = ? AND name IN (?)',
            [$this->bank->id, self::named($document)],
            [1 => ArrayParameterType::STRING],
        );

        return NamedQuestions::called(
            $document,
            static fn (string $name): string => is_numeric($ids[$name] ?? null) ? 'q' . (int) $ids[$name] : $name,
        );
    }

    /** The document as an author reads it: questions by their names, where they have some. */
    public function read(mixed $document): mixed
    {
        $numbers = array_map(self::number(...), self::named($document));
        $names = $this->db->fetchAllKeyValue(
            'SELECT id, name FROM question WHERE bank_id = ? AND id IN (?)',
            [$this->bank->id, $numbers],
            [1 => ArrayParameterType::INTEGER],
        );

        return NamedQuestions::called(
            $document,
            static fn (string $id): string => is_string($names[self::number($id)] ?? null) ? $names[self::number($id)] : $id,
        );
    }

    /**
     * The questions that a stored document names, by what an author reads and by what is stored: one that was just put in has no other name
     * yet.
     *
     * @return array<string, array{id: int, stem: string, kind: string, worth: string, status: string, isDealt: bool,
     *   choices: list<string>}>
     */
    public function told(mixed $stored): array
    {
        $told = [];
        foreach (array_unique(self::named($stored)) as $id) {
            $question = $this->entity($id);
            if ($question !== null) {
                $newest = $question->newest();
                $told[$id] = [
                    'id' => $question->id,
                    'stem' => $question->excerpt(),
                    'kind' => $question->kind(),
                    'worth' => $newest->worth(),
                    'status' => $question->status()->value,
                    'isDealt' => $question->cleared() !== null,
                    'choices' => $newest->isWhole()
                        ? array_map(static fn ($c): string => $c->text, $newest->question()->kind->choices())
                        : [],
                ];
                $told[$question->name() ?? $id] = $told[$id];
            }
        }

        return $told;
    }

    public function has(string $name): bool
    {
        return $this->entity($name) !== null;
    }

    public function question(string $name): ?Core\Question
    {
        $question = $this->entity($name);

        return $question?->newest()->isWhole() === true ? $question->newest()->question() : null;
    }

    public function mayBeDealt(string $name): bool
    {
        return $this->withDrafts ? $this->has($name) : $this->entity($name)?->cleared() !== null;
    }

    public function hasPage(string $name): bool
    {
        return $this->db->fetchOne('SELECT 1 FROM page WHERE bank_id = ? AND name = ?', [$this->bank->id, $name]) !== false;
    }

    public function hasPool(string $name): bool
    {
        return $this->db->fetchOne('SELECT 1 FROM pool WHERE bank_id = ? AND name = ?', [$this->bank->id, $name]) !== false;
    }

    /** Looks up all that a stored document names at once. */
    public function lookUp(mixed $stored): void
    {
        $ids = array_unique(self::named($stored));
        $this->questions += array_fill_keys($ids, null);
        foreach (
            $this->em->getRepository(Question::class)->findBy(['bank' => $this->bank, 'id' => array_map(self::number(...), $ids)]) as $question
        ) {
            $this->questions["q$question->id"] = $question;
        }
    }

    private function entity(string $name): ?Question
    {
        return array_key_exists($name, $this->questions)
            ? $this->questions[$name]
            : ($this->questions[$name] = $this->em
                ->getRepository(Question::class)
                ->findOneBy(['bank' => $this->bank, 'id' => self::number($name)]));
    }

    /** @return list<string> what it names, as it does */
    private static function named(mixed $document): array
    {
        $named = [];
        NamedQuestions::called($document, static function (string $name) use (&$named): string {
            $named[] = $name;

            return $name;
        });

        return $named;
    }

    private static function number(string $id): int
    {
        return preg_match('/^q(\d{1,18})$/D', $id, $m) === 1 ? (int) $m[1] : 0;
    }
}
