<?php

declare(strict_types=1);

use Symfony\Component\Process\Process;

require dirname(__DIR__) . '/vendor/autoload.php';

// The browser's tests have databases of their own, and two halves of them run beside each other.
if (getenv('ONLY_BROWSER') !== false) {
    return;
}
// One database with the demo for all tests of the application; each test rolls back what it did. Two halves of them run beside each other, each with its own.
$root = dirname(__DIR__);
$half = (string) getenv('TEST_HALF');
is_dir($root . '/var/data') || mkdir($root . '/var/data', recursive: true);
$old = glob($root . "/var/data/test$half.sqlite*");
array_map(unlink(...), $old === false ? [] : $old);
$env = ['APP_ENV' => 'test', 'DATABASE_URL' => 'sqlite:///' . $root . "/var/data/test$half.sqlite", 'MEDIA_DIR' => $root . "/var/test-media$half"];
foreach ($env as $name => $value) {
    putenv("$name=$value");
    $_ENV[$name] = $_SERVER[$name] = $value;
}
foreach ([['doctrine:migrations:migrate', '--no-interaction', '--quiet'], ['zetema:demo', '--quiet']] as $command) {
    (new Process(['php', 'bin/console', ...$command], $root, $env, timeout: 900))->mustRun();
}
