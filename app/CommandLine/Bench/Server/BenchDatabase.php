<?php

declare(strict_types=1);

namespace Zetema\App\CommandLine\Bench\Server;

use Symfony\Component\Process\Process;

/** A database of its own for something to measure, made anew. */
final class BenchDatabase
{
    /**
     * @param list<string> $command that fills it
     *
     * @return string its path
     */
    public static function made(string $root, string $name, array $command): string
    {
        $database = "$root/var/bench/$name.sqlite";
        is_dir(dirname($database)) || mkdir(dirname($database), recursive: true);
        foreach ((array) glob($database . '*') as $old) {
            is_string($old) && is_file($old) && unlink($old);
        }
        foreach ([['doctrine:migrations:migrate', '--no-interaction', '--quiet'], $command] as $words) {
            (new Process(
                ['php', 'bin/console', ...$words],
                $root,
                ['APP_ENV' => 'prod', 'DATABASE_URL' => 'sqlite:///' . $database, 'MEDIA_DIR' => $database . '-media'],
                timeout: null,
            ))->mustRun();
        }

        return $database;
    }
}
