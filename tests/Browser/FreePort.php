<?php

declare(strict_types=1);

namespace Zetema\Tests\Browser;

/**
 * A port that is free and stays ours while this object lives: no other test takes it (a lock on a file says so), and no connection
 * that goes out (it is below those that the system gives them), even while the server on it is down for a moment.
 */
final class FreePort
{
    private const FIRST = 10_000;
    private const LAST = 30_000;
    public readonly int $number;
    /** @var resource */
    private $lock;

    public function __construct()
    {
        do {
            $number = random_int(self::FIRST, self::LAST);
            $lock = fopen(sys_get_temp_dir() . '/zetema-port-' . $number, 'c');
            $socket = $lock !== false && flock($lock, \LOCK_EX | \LOCK_NB) ? @stream_socket_server('tcp://127.0.0.1:' . $number) : false;
        } while ($lock === false || $socket === false);
        fclose($socket);
        [$this->number, $this->lock] = [$number, $lock];
    }

    public function __destruct()
    {
        flock($this->lock, \LOCK_UN);
        @unlink(sys_get_temp_dir() . '/zetema-port-' . $this->number);
    }
}
