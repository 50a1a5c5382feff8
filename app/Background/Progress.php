<?php

declare(strict_types=1);

namespace Zetema\App\Background;

use Doctrine\DBAL\Connection;
use Doctrine\DBAL\ParameterType;

/** How far a job is, kept in the database after each piece. */
final class Progress
{
    private bool $stopped = false;

    public function __construct(private readonly Connection $db, private readonly int $job)
    {
    }

    public function begin(int $total): void
    {
        $this->db->executeStatement("UPDATE job SET state = 'running', total = ? WHERE id = ?", [$total, $this->job]);
    }

    /** @return bool whether to go on; false once somebody asked to stop */
    public function at(int $done): bool
    {
        $this->db->executeStatement('UPDATE job SET done = ? WHERE id = ?', [$done, $this->job]);
        $this->stopped = (bool) $this->db->fetchOne('SELECT stop_asked FROM job WHERE id = ?', [$this->job]);

        return !$this->stopped;
    }

    /** @param array<string, mixed>|null $result */
    public function end(?array $result): void
    {
        $this->write($this->stopped ? JobState::Stopped : JobState::Done, $result, null);
    }

    public function fail(string $why): void
    {
        $this->write(JobState::Failed, null, $why);
    }

    /** @param array<string, mixed>|null $result */
    private function write(JobState $state, ?array $result, ?string $failure): void
    {
        // What it was given may be a whole file, and nobody asks for it any more.
        $this->db->executeStatement(
            "UPDATE job SET state = ?, result = ?, failure = ?, input = '{}' WHERE id = ?",
            [$state->value, $result === null ? null : json_encode($result, JSON_THROW_ON_ERROR), $failure, $this->job],
            [ParameterType::STRING, ParameterType::STRING, ParameterType::STRING, ParameterType::INTEGER],
        );
    }
}
