<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Question\Many;

use Doctrine\DBAL\Connection;
use Zetema\App\Background\Job;
use Zetema\App\Background\Jobs;
use Zetema\App\Bank\Bank;
use Zetema\App\Bank\Question\Listing\ChosenQuestions;
use Zetema\App\People\Account;
use Zetema\Core\Data\Fields;

/** Many questions changed in one go: shown beforehand what changes from what to what, what stays and why; then done. */
final readonly class ManyQuestions
{
    /** Up to so many take less than a second. */
    private const AT_ONCE = 300;
    /** Of so many each one's own change is told, beside the sums. */
    private const EACH = 500;

    public function __construct(private Connection $db, private ChosenQuestions $chosen, private Jobs $jobs)
    {
    }

    /** @return array<string, mixed> */
    public function preview(Bank $bank, Fields $body, Account $account): array
    {
        $change = ManyChange::of($body, $account);
        $settings = $bank->settings();
        $rows = $stays = $each = [];
        $changed = $drafts = $there = $commented = 0;
        foreach (Standing::of($this->db, $bank, $this->chosen->ids($bank, $body, $account)) as $id => $standing) {
            ++$there;
            $one = $change->to($standing, $settings);
            $changed += $one->isNone() ? 0 : 1;
            $drafts += $one->becomesDraft() ? 1 : 0;
            $commented += $one->clearsCommented() ? 1 : 0;
            foreach ($one->changed->changes as $row) {
                $key = $row['what'] . "\n" . $row['from'] . "\n" . $row['to'];
                $rows[$key] = [...$row, 'questions' => ($rows[$key]['questions'] ?? 0) + 1];
            }
            foreach ($one->changed->stays as $row) {
                $key = $row['what'] . "\n" . $row['why'];
                $stays[$key] = [...$row, 'questions' => ($stays[$key]['questions'] ?? 0) + 1];
            }
            if ($there <= self::EACH) {
                $each[] = ['id' => $id, 'changes' => $one->changed->changes, 'stays' => $one->changed->stays];
            }
        }

        return [
            'questions' => $there,
            'changed' => $changed,
            'drafts' => $drafts,
            'commented' => $commented,
            'changes' => self::mostFirst($rows),
            'stays' => self::mostFirst($stays),
            'each' => $each,
        ];
    }

    /** @return Job the change at work; few are changed at once, within the request */
    public function change(Bank $bank, Fields $body, Account $account): Job
    {
        ManyChange::of($body, $account);
        $ids = $this->chosen->ids($bank, $body, $account);

        return $this->jobs->begin(
            ChangeManyQuestions::class,
            $bank->id,
            $account,
            ['ids' => $ids, 'change' => $body->object('change')->raw(), 'clearAgain' => $body->flag('clearAgain', false)],
            count($ids) <= self::AT_ONCE,
        );
    }

    /**
     * @template T of array{questions: int}
     *
     * @param array<string, T> $rows
     *
     * @return list<T>
     */
    private static function mostFirst(array $rows): array
    {
        uasort($rows, static fn (array $a, array $b): int => $b['questions'] <=> $a['questions']);

        return array_slice(array_values($rows), 0, 60);
    }
}
