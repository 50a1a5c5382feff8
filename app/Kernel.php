<?php

declare(strict_types=1);

namespace Zetema\App;

use Symfony\Bundle\FrameworkBundle\Kernel\MicroKernelTrait;
use Symfony\Component\HttpKernel\Kernel as BaseKernel;

final class Kernel extends BaseKernel
{
    use MicroKernelTrait;

    /** @param string $env "prod" or "test" */
    public static function inEnvironment(string $env): self
    {
        return new self($env, $env !== 'prod');
    }
}
