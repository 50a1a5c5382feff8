<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Out;

use Doctrine\ORM\EntityManagerInterface;
use Zetema\App\Background\Job;
use Zetema\App\Background\Progress;
use Zetema\App\Background\Task;
use Zetema\App\Bank\Bank;
use Zetema\App\People\Account;
use Zetema\Core\Data\Fields;
use Zetema\Core\Exchange\Qti\Writing\Version;

/**
 * Looks questions through for what a table, or a package of the open standard, cannot say of them. Left half-way it looks anew; nothing is
 * written.
 */
final readonly class LookThrough implements Task
{
    public function __construct(
        private EntityManagerInterface $em,
        private BankOut $out,
        private BankTable $table,
        private BankPackage $package,
    ) {
    }

    public static function name(): string
    {
        return 'look through';
    }

    /** @return array{rows: int, without: list<string>, missing: list<array{what: string, questions: int}>} */
    public function run(Job $job, Progress $progress): array
    {
        $input = Fields::of($job->input);
        $account = $this->em->find(Account::class, $job->account->id) ?? throw new \LogicException('a job is begun by somebody');
        $bank = $this->em->find(Bank::class, $job->bankId) ?? throw new \LogicException('a job is of a bank');
        $selection = $this->out->selection($bank, $input->object('filter'), $account);
        $progress->begin($this->out->count($bank, $selection));
        $version = Version::tryFrom($input->text('as'));
        if ($version !== null) {
            return $this->package->missing($bank, $selection, $version, $progress->beat(...));
        }
        $missing = $this->table->missing($bank, $selection, $progress->beat(...));

        return [
            ...$missing,
            'missing' => array_map(
                static fn (array $m): array => ['what' => $m['what'], 'questions' => count($m['items'])],
                $missing['missing'],
            ),
        ];
    }

    public function abandon(Job $job): void
    {
    }
}
