<?php

declare(strict_types=1);

namespace Zetema\App\Blueprint;

use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use Zetema\App\Bank\Bank;
use Zetema\App\Bank\Question\Question;
use Zetema\Core\Blueprint\Check\Known;
use Zetema\Core\Question as Core;

/** The questions, pages and pools of a bank by the names that blueprints call them: a question's own name, or "q" and its number, which is what is stored. */
final readonly class BankNames implements Known
{
    /** @param bool $withDrafts whether what is not cleared yet may stand in a running order, as while it is planned */
    public function __construct(private EntityManagerInterface $em, private Connection $db, private Bank $bank, private bool $withDrafts = false)
    {
    }

    /** The id by which a question is stored; what names none stays as it is, to be refused. */
    public function id(string $name): string
    {
        $id = $this->db->fetchOne('SELECT id FROM question WHERE bank_id = ? AND name = ?', [$this->bank->id, $name]);

        return is_numeric($id) ? 'q' . (int) $id : $name;
    }

    /** What an author reads: the question's name, where it has one. */
    public function name(string $id): string
    {
        $name = $this->db->fetchOne('SELECT name FROM question WHERE bank_id = ? AND id = ?', [$this->bank->id, self::number($id)]);

        return is_string($name) ? $name : $id;
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

    private function entity(string $name): ?Question
    {
        return $this->em->getRepository(Question::class)->findOneBy(['bank' => $this->bank, 'id' => self::number($name)]);
    }

    private static function number(string $id): int
    {
        return preg_match('/^q(\d{1,18})$/D', $id, $m) === 1 ? (int) $m[1] : 0;
    }
}
