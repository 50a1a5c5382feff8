<?php

declare(strict_types=1);

namespace Zetema\Tests\App;

use PHPUnit\Framework\TestCase;
use Zetema\Tests\Layers;

/** Each table is of one room of app/, which alone writes it; a room reads what is of a room that it stands on, and asks the others by an interface. */
final class RoomTablesTest extends TestCase
{
    private const APP = __DIR__ . '/../../app/';
    /** They make, measure and back up whole databases. */
    private const ALL = ['CommandLine', 'Demo'];

    public function test_no_room_reaches_into_the_tables_of_another(): void
    {
        $owners = $this->owners();
        $found = [];
        foreach (self::files() as $path => $php) {
            $room = explode('/', $path)[0];
            if (in_array($room, self::ALL, true) || str_starts_with($path, 'Shared/Dialect/')) {
                continue;
            }
            foreach (self::uses($php) as [$table, $writes]) {
                $owner = $owners[$table] ?? $room;
                if ($owner !== $room && ($writes || !in_array($owner, Layers::APP[$room] ?? [], true))) {
                    $found[] = sprintf('%s %s %s of %s', $path, $writes ? 'writes' : 'reads', $table, $owner);
                }
            }
        }

        self::assertSame([], $found);
    }

    public function test_tables_are_found_in_what_is_written(): void
    {
        $php =
            '<?php $db->fetchOne("SELECT 1 FROM sitting s JOIN mark m ON 1"); $db->insert("job", []); $x = \'DELETE FROM page WHERE id = ?\'; $y = \'INSERT INTO pool (id) VALUES (1) ON CONFLICT DO UPDATE SET a = b\'; $z = " {$d->thenLookUp()} edition e ON";';

        self::assertSame([['sitting', false], ['mark', false], ['page', true], ['pool', true], ['edition', false], ['job', true]], self::uses($php));
        self::assertGreaterThan(30, count($this->owners()));
    }

    /** @return array<string, string> the room of each table */
    private function owners(): array
    {
        $owners = ['question_search' => 'Bank'];
        foreach (self::files() as $path => $php) {
            if (preg_match('/#\[ORM\\\\Entity/', $php) === 1 && preg_match('/^(?:final |readonly )*class (\w+)/m', $php, $class) === 1) {
                $name = preg_match('/#\[ORM\\\\Table\(name: \'([a-z_]+)\'/', $php, $table) === 1 ? $table[1] : strtolower((string) preg_replace('/(?<!^)[A-Z]/', '_$0', $class[1]));
                $owners[$name] = explode('/', $path)[0];
            }
        }

        return $owners;
    }

    /** @return list<array{string, bool}> tables that stand in a file's SQL, and whether they are written there */
    private static function uses(string $php): array
    {
        $uses = [];
        foreach (token_get_all($php) as $token) {
            if (!is_array($token) || !in_array($token[0], [T_CONSTANT_ENCAPSED_STRING, T_ENCAPSED_AND_WHITESPACE], true)) {
                continue;
            }
            preg_match_all('/\b(DELETE FROM|FROM|JOIN|INTO|DO UPDATE|UPDATE)\s+([a-z_]+)\b|^["\']?\s([a-z_]+) [a-z] (?:ON\b|$)/', $token[1], $found, PREG_SET_ORDER);
            foreach ($found as $one) {
                $uses[] = [($one[3] ?? '') !== '' ? $one[3] : $one[2] ?? '', in_array($one[1] ?? '', ['DELETE FROM', 'INTO', 'UPDATE'], true)];
            }
        }
        preg_match_all('/->(?:insert|update|delete)\([\'"]([a-z_]+)[\'"]/', $php, $found);

        return [...$uses, ...array_map(static fn (string $table): array => [$table, true], $found[1])];
    }

    /** @return iterable<string, string> */
    private static function files(): iterable
    {
        foreach (new \RecursiveIteratorIterator(new \RecursiveDirectoryIterator(self::APP, \FilesystemIterator::SKIP_DOTS)) as $file) {
            if ($file instanceof \SplFileInfo && $file->getExtension() === 'php') {
                yield substr($file->getPathname(), strlen(self::APP)) => (string) file_get_contents($file->getPathname());
            }
        }
    }
}
