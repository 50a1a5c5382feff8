<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Out;

use Doctrine\ORM\EntityManagerInterface;
use Zetema\App\Background\Out\WritesOut;
use Zetema\App\Background\Out\WrittenOut;
use Zetema\App\Bank\Archive\BankArchive;
use Zetema\App\Bank\Bank;
use Zetema\App\Bank\Question\Listing\QuestionFilter;
use Zetema\App\Bank\Question\Listing\QuestionList;
use Zetema\App\People\Account;
use Zetema\App\Shared\NamedFile;
use Zetema\App\Shared\Row;
use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Exchange\Archive\ArchiveFormat;
use Zetema\Core\Exchange\Qti\Writing\Version;

/** The four ways out of a bank in the background: all of it, or what its list is narrowed to. */
final readonly class BankOut implements WritesOut
{
    public function __construct(
        private EntityManagerInterface $em,
        private QuestionList $list,
        private BankText $text,
        private BankTable $table,
        private BankArchive $archive,
        private BankPackage $package,
    ) {
    }

    public static function name(): string
    {
        return 'bank';
    }

    public function written(Fields $input, Account $account, callable $beat): WrittenOut
    {
        $bank = $this->em->find(Bank::class, $input->integer('bank')) ?? throw new Malformed('bank', 'is gone');
        $selection = $this->selection($bank, $input->object('filter'), $account);
        $total = $this->count($bank, $selection);

        return match ($as = $input->text('as')) {
            'text' => new WrittenOut(
                NamedFile::after($bank->name(), 'zet.txt', 'bank'),
                'text/plain; charset=utf-8',
                $total,
                QuestionsInOrder::PIECE,
                $this->text->pieces($bank, $selection),
            ),
            'table' => new WrittenOut(
                NamedFile::after($bank->name(), 'csv', 'bank'),
                'text/csv; charset=utf-8',
                $total,
                QuestionsInOrder::PIECE,
                $this->table->pieces($bank, $selection),
            ),
            'archive' => new WrittenOut(
                NamedFile::after($bank->name(), 'zip', 'bank'),
                'application/zip',
                $total,
                ArchiveFormat::PIECE,
                $this->archive->files($bank, $selection),
                isZip: true,
            ),
            default => new WrittenOut(
                NamedFile::after($bank->name() . ' ' . $as, 'zip', 'package'),
                'application/zip',
                $total,
                1,
                $this->package->files(
                    $bank,
                    $selection,
                    Version::tryFrom($as) ?? throw new Malformed('as', 'is text, table, archive, qti21 or qti30'),
                    $beat,
                ),
                isZip: true,
            ),
        };
    }

    public function count(Bank $bank, Selection $selection): int
    {
        if ($selection->questions !== null) {
            return count($selection->questions);
        }
        $count = $this->em->getConnection()->fetchOne('SELECT SUM(questions) FROM question_count WHERE bank_id = ?', [$bank->id]);

        return Row::int($count);
    }

    /** @param Fields $filter what the list is narrowed to, as its address says */
    public function selection(Bank $bank, Fields $filter, Account $account): Selection
    {
        $filter = QuestionFilter::of(
            Fields::of(array_diff_key($filter->raw(), ['order' => 1, 'after' => 1, 'more' => 1, 'as' => 1])),
            $account,
        );

        return new Selection($filter->isAll() ? null : $this->list->ids($bank, $filter));
    }
}
