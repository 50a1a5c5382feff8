<?php

declare(strict_types=1);

namespace Zetema\Tests\Browser;

use PHPUnit\Framework\TestCase;

/** A real server for the tests of a class, and a new browser for each test. */
abstract class BrowserTestCase extends TestCase
{
    protected Chromium $page;
    private static ?Server $server = null;

    public static function setUpBeforeClass(): void
    {
        self::$server = new Server();
    }

    public static function tearDownAfterClass(): void
    {
        self::$server = null;
    }

    protected function setUp(): void
    {
        $this->page = new Chromium(self::server()->address);
    }

    protected function tearDown(): void
    {
        unset($this->page);
    }

    protected static function server(): Server
    {
        return self::$server ?? throw new \LogicException('the server runs during these tests');
    }
}
