<?php

declare(strict_types=1);

namespace Zetema\App;

use Symfony\Bundle\FrameworkBundle\Kernel\MicroKernelTrait;
use Symfony\Component\HttpKernel\Kernel as BaseKernel;

final class Kernel extends BaseKernel
{
    use MicroKernelTrait;

    /** Where data and media are is found out at run time: a copied or moved installation has its own beside it, whatever its cache says. */
    public function __construct(string $environment, bool $debug)
    {
        foreach (['DATABASE_URL' => 'sqlite:///' . dirname(__DIR__) . '/var/data/zetema.sqlite', 'MEDIA_DIR' => dirname(__DIR__) . '/var/media'] as $name => $here) {
            if (getenv($name) === false && !isset($_ENV[$name]) && !isset($_SERVER[$name])) {
                $_ENV[$name] = $here;
            }
        }
        parent::__construct($environment, $debug);
    }

    /** @param string $env "prod" or "test" */
    public static function inEnvironment(string $env): self
    {
        return new self($env, $env !== 'prod');
    }
}
