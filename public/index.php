<?php

declare(strict_types=1);

use Symfony\Component\HttpFoundation\Request;
use Zetema\App\Kernel;

require dirname(__DIR__) . '/vendor/autoload.php';

header_remove('X-Powered-By');
$env = getenv('APP_ENV');
$kernel = Kernel::inEnvironment($env === false ? 'prod' : $env);
// Names that this installation answers to, as patterns with commas between them; without it, to any. A page of a stranger could else have its own name lead here.
$hosts = getenv('TRUSTED_HOSTS');
Request::setTrustedHosts($hosts === false || $hosts === '' ? [] : explode(',', $hosts));
$request = Request::createFromGlobals();
$response = $kernel->handle($request);
$response->send();
$kernel->terminate($request, $response);
