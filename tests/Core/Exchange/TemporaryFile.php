<?php

declare(strict_types=1);

namespace Zetema\Tests\Core\Exchange;

/** A file of a test’s own, gone afterwards. */
trait TemporaryFile
{
    private string $file;

    protected function setUp(): void
    {
        $file = tempnam(sys_get_temp_dir(), 'zetema-test');
        self::assertIsString($file);
        $this->file = $file;
    }

    protected function tearDown(): void
    {
        unlink($this->file);
    }
}
