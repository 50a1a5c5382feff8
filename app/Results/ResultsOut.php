<?php

declare(strict_types=1);

namespace Zetema\App\Results;

use Doctrine\ORM\EntityManagerInterface;
use Zetema\App\Background\Out\WritesOut;
use Zetema\App\Background\Out\WrittenOut;
use Zetema\App\Blueprint\Editions\Edition;
use Zetema\App\People\Account;
use Zetema\App\Shared\Row;
use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Malformed;

/** The tables of results in the background: every response of ten thousand sittings takes minutes. */
final readonly class ResultsOut implements WritesOut
{
    public function __construct(private EntityManagerInterface $em, private OwnResults $own, private ResultTables $tables)
    {
    }

    public static function name(): string
    {
        return 'results';
    }

    public function written(Fields $input, Account $account, callable $beat): WrittenOut
    {
        $edition = $this->em->find(Edition::class, $input->integer('edition')) ?? throw new Malformed('edition', 'is gone');
        $this->own->refuseOthers($edition, $account);
        $count = $this->em
            ->getConnection()
            ->fetchOne('SELECT COUNT(*) FROM sitting WHERE edition_id = ? AND ended_at IS NOT NULL', [$edition->id]);
        $as = $input->text('as');
        [$lines, $each] = match ($as) {
            'sittings' => [$this->tables->sittings($edition), 1],
            'responses' => [$this->tables->responses($edition), 1],
            default => throw new Malformed('as', 'is sittings or responses'),
        };

        return new WrittenOut(self::file($edition, $as), 'text/csv; charset=utf-8', Row::int($count), $each, $lines);
    }

    public static function file(Edition $edition, string $as): string
    {
        return sprintf('%s-edition-%d.csv', $as, $edition->number);
    }
}
