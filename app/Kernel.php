<?php

declare(strict_types=1);

namespace Zetema\App;

use Symfony\Bundle\FrameworkBundle\Kernel\MicroKernelTrait;
use Symfony\Component\HttpKernel\Kernel as BaseKernel;

final class Kernel extends BaseKernel
{
    use MicroKernelTrait;

    private const PUBLIC_SECRET = 'demo-only-secret-set-another-in-service';

    /** Where data and media are is found out at run time: a copied or moved installation has its own beside it, whatever its cache says. */
    public function __construct(string $environment, bool $debug)
    {
        foreach (
            [
                'DATABASE_URL' => 'sqlite:///' . dirname(__DIR__) . '/var/data/zetema.sqlite',
                'MEDIA_DIR' => dirname(__DIR__) . '/var/media',
            ] as $name => $here
        ) {
            if (getenv($name) === false && !isset($_ENV[$name]) && !isset($_SERVER[$name])) {
                $_ENV[$name] = $here;
            }
        }
        $this->haveSecret($environment);
        parent::__construct($environment, $debug);
    }

    /** Each installation has a secret of its own: the one that is said, or one that is made once and kept beside the data. */
    private function haveSecret(string $environment): void
    {
        $secret = getenv('APP_SECRET');
        $secret = $secret === false ? $_ENV['APP_SECRET'] ?? ($_SERVER['APP_SECRET'] ?? '') : $secret;
        if ($secret === self::PUBLIC_SECRET && $environment === 'prod') {
            throw new \RuntimeException(
                'APP_SECRET is the one that everybody can read in the source. Set another, or none: then one is made and kept in var/data.',
            );
        }
        if ($secret !== '') {
            return;
        }
        $file = dirname(__DIR__) . '/var/data/app-secret';
        if (!is_file($file)) {
            @mkdir(dirname($file), 0o775, true);
            @file_put_contents($file . '.' . getmypid(), bin2hex(random_bytes(32)));
            @chmod($file . '.' . getmypid(), 0o600);
            @rename($file . '.' . getmypid(), $file);
        }
        $kept = @file_get_contents($file);
        $_ENV['APP_SECRET'] = $kept === false || $kept === '' ? bin2hex(random_bytes(32)) : $kept;
    }

    /** @param string $env "prod" or "test" */
    public static function inEnvironment(string $env): self
    {
        return new self($env, $env !== 'prod');
    }
}
