<?php

declare(strict_types=1);

// For PHP's built-in server (bin/demo): files as they are, everything else to the application.
$path = parse_url((string) ($_SERVER['REQUEST_URI'] ?? '/'), PHP_URL_PATH);
if (is_string($path) && $path !== '/' && !str_contains($path, '..') && !str_ends_with($path, '.php') && is_file(__DIR__ . $path)) {
    return false;
}
$_SERVER['SCRIPT_FILENAME'] = __DIR__ . '/index.php';
$_SERVER['SCRIPT_NAME'] = '/index.php';
require __DIR__ . '/index.php';
