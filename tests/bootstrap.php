<?php

declare(strict_types=1);

use Symfony\Component\Process\Process;

require dirname(__DIR__) . '/vendor/autoload.php';

// The browser's tests have databases of their own, and two halves of them run beside each other.
if (getenv('ONLY_BROWSER') !== false) {
    return;
}
// One database with the demo for all tests of the application; each test rolls back what it did.
$root = dirname(__DIR__);
is_dir($root . '/var/data') || mkdir($root . '/var/data', recursive: true);
$old = glob($root . '/var/data/test.sqlite*');
array_map(unlink(...), $old === false ? [] : $old);
$env = ['APP_ENV' => 'test', 'DATABASE_URL' => 'sqlite:///' . $root . '/var/data/test.sqlite', 'MEDIA_DIR' => $root . '/var/test-media'];
foreach ([['doctrine:migrations:migrate', '--no-interaction', '--quiet'], ['zetema:demo', '--quiet']] as $command) {
    (new Process(['php', 'bin/console', ...$command], $root, $env, timeout: 60))->mustRun();
}
