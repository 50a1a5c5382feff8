<?php

declare(strict_types=1);

namespace Zetema\App\CommandLine\Bench\Server;

use Symfony\Component\Process\Process;

/** php-fpm with the pool of deploy/php-fpm.conf behind nginx, where both are installed; with another number of children if asked. */
final class FpmServer
{
    private readonly Process $fpm;
    private readonly Process $web;

    /** @param array<string, string> $environment */
    public function __construct(string $root, int $port, int $children, array $environment)
    {
        $folder = $root . '/var/bench';
        $user = posix_getpwuid(posix_geteuid())['name'] ?? 'root';
        $pool = (string) file_get_contents($root . '/deploy/php-fpm.conf');
        $pool = (string) preg_replace(
            ['/^listen\..*\n/m', '/^listen = .*/m', '/^(user|group) = .*/m', '/^pm\.max_children = .*/m'],
            ['', "listen = $folder/fpm.sock", "$1 = $user", "pm.max_children = $children"],
            $pool,
        );
        file_put_contents($folder . '/fpm.conf', "[global]\nerror_log = $folder/fpm.log\n" . $pool);
        file_put_contents(
            $folder . '/nginx.conf',
            <<<TEXT
            user $user; pid $folder/nginx.pid; error_log $folder/nginx.log; worker_processes 1; daemon off;
            events { worker_connections 1024; }
            http { access_log off; client_body_temp_path $folder/body; fastcgi_temp_path $folder/fastcgi; proxy_temp_path $folder/proxy; uwsgi_temp_path $folder/uwsgi; scgi_temp_path $folder/scgi;
              server { listen 127.0.0.1:$port; root $root/public;
                location / { fastcgi_pass unix:$folder/fpm.sock; include /etc/nginx/fastcgi_params; fastcgi_param SCRIPT_FILENAME $root/public/index.php; fastcgi_param SCRIPT_NAME /index.php; } } }
            TEXT
            ,
        );
        $this->fpm = new Process(['php-fpm8.2', '-R', '-F', '-y', $folder . '/fpm.conf'], $root, $environment, timeout: null);
        $this->web = new Process(['nginx', '-c', $folder . '/nginx.conf'], $root, $environment, timeout: null);
        @unlink($folder . '/fpm.sock');
        $this->start($this->fpm);
        // A web server that is up first answers 502 until php-fpm listens.
        $listens = false;
        for ($i = 0; $i < 200 && $this->fpm->isRunning() && !$listens; ++$i) {
            usleep(50_000);
            $listens = is_resource(@stream_socket_client("unix://$folder/fpm.sock"));
        }
        $listens || throw new \RuntimeException('php-fpm does not listen; its log: ' . @file_get_contents($folder . '/fpm.log'));
        $this->start($this->web);
    }

    /** @return list<int> the processes that requests keep busy are these and what they started */
    public function processes(): array
    {
        return array_map(static fn (Process $process): int => (int) $process->getPid(), [$this->fpm, $this->web]);
    }

    public function stop(): void
    {
        $this->web->stop(1);
        $this->fpm->stop(1);
    }

    private function start(Process $process): void
    {
        $process->disableOutput();
        $process->start();
    }
}
