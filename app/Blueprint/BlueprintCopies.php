<?php

declare(strict_types=1);

namespace Zetema\App\Blueprint;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use Zetema\App\Bank\Archive\ArchivedWithBank;
use Zetema\App\Bank\Bank;
use Zetema\App\Bank\CopiedWithBank;
use Zetema\Core\Blueprint\Reading\NamedQuestions;
use Zetema\Core\Data\Fields;

/** Blueprints of a bank that is copied: they name the copies of the questions. Editions stay where they are. */
final readonly class BlueprintCopies implements ArchivedWithBank, CopiedWithBank
{
    public function __construct(private Connection $db, private EntityManagerInterface $em)
    {
    }

    public function copy(Bank $from, Bank $to, int $far): void
    {
        foreach ($this->of($from, static fn (int $id): int => $id + $far) as $blueprint) {
            $this->put($to, $blueprint);
        }
    }

    public function told(Bank $bank, array $numbers, ?array $only): array
    {
        return $this->of($bank, static fn (int $id): int => $numbers[$id] ?? 0, $only);
    }

    public function restore(Bank $bank, array $told, array $ids): void
    {
        foreach ($told as $blueprint) {
            $document = $blueprint->optionalObject('document')?->raw();
            $parts = ['plan' => $blueprint->object('plan')->raw(), 'rules' => $blueprint->object('rules')->raw()];
            $called = self::called([...$parts, 'document' => $document], static fn (int $number): int => $ids[$number] ?? 0);
            $made = ['title' => mb_substr($blueprint->text('title'), 0, 160), ...$called];
            $id = $this->put($bank, $made);
            // It is read as it will be, so that none comes in that cannot be opened.
            $stored = $this->em->find(Blueprint::class, $id) ?? throw new \LogicException('it was just stored');
            $stored->assessment();
        }
    }

    /**
     * @param callable(int): int $moved what a question is called, by its id
     * @param list<int>|null $only by their ids
     *
     * @return list<array<string, mixed>>
     */
    private function of(Bank $bank, callable $moved, ?array $only = null): array
    {
        $json = static fn (?string $text): mixed => json_decode($text ?? 'null', true, 512, JSON_THROW_ON_ERROR);

        return array_map(static function (array $row) use ($json, $moved): array {
            $row = Fields::of($row);

            return [
                'title' => $row->text('title'),
                ...self::called(
                    [
                        'plan' => $json($row->text('plan')),
                        'rules' => $json($row->text('rules')),
                        'document' => $json($row->optionalText('document')),
                    ],
                    $moved,
                ),
            ];
        }, $this->db->fetchAllAssociative(
            'SELECT title, plan, rules, document FROM blueprint WHERE bank_id = :bank' .
                ($only === null ? '' : ' AND id IN (:only)') .
                ' ORDER BY id',
            ['bank' => $bank->id, 'only' => $only ?? []],
            ['only' => ArrayParameterType::INTEGER],
        ));
    }

    /**
     * @param array<string, mixed> $parts
     * @param callable(int): int $moved
     *
     * @return array<string, mixed>
     */
    private static function called(array $parts, callable $moved): array
    {
        $call = static fn (string $id): string => preg_match('/^q(\d{1,18})$/D', $id, $m) === 1 ? 'q' . $moved((int) $m[1]) : $id;

        return array_map(static fn (mixed $part): mixed => NamedQuestions::called($part, $call), $parts);
    }

    /** @param array<string, mixed> $blueprint */
    private function put(Bank $bank, array $blueprint): int
    {
        $json = static fn (mixed $part): ?string => $part === null
            ? null
            : json_encode($part, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES);
        $this->db->insert('blueprint', [
            'bank_id' => $bank->id,
            'title' => $blueprint['title'],
            'plan' => $json($blueprint['plan'] ?? null),
            'rules' => $json($blueprint['rules'] ?? null),
            'document' => $json($blueprint['document'] ?? null),
        ]);

        return (int) $this->db->lastInsertId();
    }
}
