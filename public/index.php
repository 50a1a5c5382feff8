<?php

declare(strict_types=1);

use Symfony\Component\HttpFoundation\Request;
use Zetema\App\Kernel;

require dirname(__DIR__) . '/vendor/autoload.php';

$env = getenv('APP_ENV');
$kernel = Kernel::inEnvironment($env === false ? 'prod' : $env);
$request = Request::createFromGlobals();
$response = $kernel->handle($request);
$response->send();
$kernel->terminate($request, $response);
