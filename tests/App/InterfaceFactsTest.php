<?php

declare(strict_types=1);

namespace Zetema\Tests\App;

use PHPUnit\Framework\TestCase;
use Symfony\Component\Yaml\Yaml;
use Zetema\App\CommandLine\InterfaceFacts;
use Zetema\Core\Question\Kinds\KindId;

/** What the interface knows of the rules comes from PHP, and the contract names every kind. */
final class InterfaceFactsTest extends TestCase
{
    private const ROOT = __DIR__ . '/../..';

    public function test_the_generated_file_is_not_stale(): void
    {
        self::assertSame(InterfaceFacts::typescript(), file_get_contents(self::ROOT . '/' . InterfaceFacts::FILE), 'run `bin/console zetema:facts`');
        self::assertSame(InterfaceFacts::rules(), file_get_contents(self::ROOT . '/' . InterfaceFacts::RULES), 'run `bin/console zetema:facts`');
        self::assertSame(InterfaceFacts::limits(), file_get_contents(self::ROOT . '/' . InterfaceFacts::LIMITS), 'run `bin/console zetema:facts`');
        self::assertSame(InterfaceFacts::signs(), file_get_contents(self::ROOT . '/' . InterfaceFacts::SIGNS), 'run `bin/console zetema:facts`');
    }

    public function test_the_contract_names_every_kind_with_all_its_fields(): void
    {
        $yaml = (string) json_encode(Yaml::parseFile(self::ROOT . '/docs/openapi.yaml'));
        $schemas = \Zetema\Core\Data\Fields::ofJson($yaml)->object('components')->object('schemas');
        self::assertSame(array_map(static fn (KindId $kind): string => $kind->value, KindId::cases()), $schemas->object('Kind')->texts('enum'));
        foreach (KindId::cases() as $kind) {
            $own = $schemas->object(ucfirst($kind->value) . 'Content')->objects('allOf')[1];
            self::assertEqualsCanonicalizing(['kind', ...array_keys($kind->facts()->empty)], $own->texts('required'), $kind->value);
            self::assertTrue($schemas->has(ucfirst($kind->value) . 'Answers'));
        }
    }
}
