<?php

declare(strict_types=1);

namespace Zetema\App\Blueprint;

use Doctrine\DBAL\Connection;
use Zetema\App\Bank\Bank;
use Zetema\App\Bank\CopiedWithBank;
use Zetema\Core\Blueprint\Reading\NamedQuestions;
use Zetema\Core\Data\Fields;

/** Blueprints of a bank that is copied: they name the copies of the questions. Editions stay where they are. */
final readonly class BlueprintCopies implements CopiedWithBank
{
    public function __construct(private Connection $db)
    {
    }

    public function copy(Bank $from, Bank $to, int $far): void
    {
        $moved = static fn (string $id): string => preg_match('/^q(\d{1,18})$/D', $id, $m) === 1 ? 'q' . ((int) $m[1] + $far) : $id;
        foreach ($this->db->fetchAllAssociative('SELECT title, plan, rules, document FROM blueprint WHERE bank_id = ? ORDER BY id', [$from->id]) as $row) {
            $row = Fields::of($row);
            $called = static fn (?string $json): ?string => $json === null ? null : json_encode(NamedQuestions::called(json_decode($json, true, 512, JSON_THROW_ON_ERROR), $moved), JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES);
            $this->db->insert('blueprint', ['bank_id' => $to->id, 'title' => $row->text('title'), 'plan' => $called($row->text('plan')), 'rules' => $row->text('rules'), 'document' => $called($row->optionalText('document'))]);
        }
    }
}
