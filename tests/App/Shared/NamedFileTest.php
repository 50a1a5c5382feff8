<?php

declare(strict_types=1);

namespace Zetema\Tests\App\Shared;

use PHPUnit\Framework\TestCase;
use Zetema\App\Shared\NamedFile;

final class NamedFileTest extends TestCase
{
    public function test_a_file_is_called_after_what_it_holds(): void
    {
        foreach (
            [
                'Rope rescue: basics' => 'rope-rescue-basics.zip',
                'Königin & Söhne (2)' => 'konigin-sohne-2.zip',
                '蜜蜂' => 'bank.zip',
                '../etc' => 'etc.zip',
                str_repeat('long name ', 20) => 'long-name-long-name-long-name-long-name-long-name-long-name.zip',
            ] as $title => $name
        ) {
            self::assertSame($name, NamedFile::after($title, 'zip', 'bank'));
        }
    }
}
