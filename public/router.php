<?php

declare(strict_types=1);

// For PHP's built-in server (bin/demo): files as they are, everything else to the application.
$path = parse_url((string) ($_SERVER['REQUEST_URI'] ?? '/'), PHP_URL_PATH);
if (is_string($path) && $path !== '/' && !str_contains($path, '..') && !str_ends_with($path, '.php') && is_file(__DIR__ . $path)) {
    // What was built has its content in its name: it is kept for a year, and sent as bin/build compressed it.
    $types = ['js' => 'text/javascript; charset=utf-8', 'css' => 'text/css; charset=utf-8', 'woff2' => 'font/woff2', 'svg' => 'image/svg+xml'];
    $type = $types[pathinfo($path, PATHINFO_EXTENSION)] ?? null;
    if (!str_starts_with($path, '/build/assets/') || $type === null) {
        return false;
    }
    header('Cache-Control: public, max-age=31536000, immutable');
    header('Content-Type: ' . $type);
    header('Vary: Accept-Encoding');
    $packed = str_contains((string) ($_SERVER['HTTP_ACCEPT_ENCODING'] ?? ''), 'gzip') && is_file(__DIR__ . $path . '.gz');
    if ($packed) {
        header('Content-Encoding: gzip');
    }
    $file = __DIR__ . $path . ($packed ? '.gz' : '');
    header('Content-Length: ' . filesize($file));
    readfile($file);
    exit;
}
$_SERVER['SCRIPT_FILENAME'] = __DIR__ . '/index.php';
$_SERVER['SCRIPT_NAME'] = '/index.php';
require __DIR__ . '/index.php';
