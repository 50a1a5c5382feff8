<?php

declare(strict_types=1);

namespace Zetema\Tests\App;

use PHPUnit\Framework\TestCase;
use Symfony\Component\Finder\Finder;

/** Whoever begins a transaction of their own has no lock that others know of. What is written without one is found by WatchedDatabase in every other test. */
final class OneWayToSaveTest extends TestCase
{
    private const MAY = ['Shared/Dialect/SqlitePragmas.php', 'Shared/Saving.php', 'Shared/Transactions.php'];

    public function test_only_saving_and_transactions_begin_one(): void
    {
        $beginning = [];
        foreach (
            (new Finder())
                ->files()
                ->in(dirname(__DIR__, 2) . '/app')
                ->name('*.php')
                ->notPath('CommandLine/Bench') as $file
        ) {
            if (preg_match('/->(wrapInTransaction|transactional|beginTransaction)\(|[\'"]\s*BEGIN\b/', $file->getContents()) === 1) {
                $beginning[] = $file->getRelativePathname();
            }
        }
        sort($beginning);

        self::assertSame(self::MAY, $beginning);
    }
}
