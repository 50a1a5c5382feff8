<?php

declare(strict_types=1);

namespace Zetema\Tests\App\CommandLine;

use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Filesystem\Filesystem;
use Symfony\Component\Process\Process;
use Zetema\Core\Data\Fields;

/** An assessment goes out as a package of the open standard, and what it can deal comes in again. */
final class PackageCommandTest extends TestCase
{
    private const BLUEPRINT = '{"steps":[{"question":"fresh eggs"},{"draw":{"take":3,"pool":{"objective":"Colony life","below":true},"points":"5"}},{"draw":{"take":1,"pool":{"kinds":["place"]}}}],"pass":{"percent":"60"},"apart":[["winter bees","first swarm"]]}';
    private string $folder;

    protected function setUp(): void
    {
        $this->folder = sys_get_temp_dir() . '/zetema-package-' . bin2hex(random_bytes(6));
        $files = new Filesystem();
        $demo = dirname(__DIR__, 3) . '/demo';
        $files->copy("$demo/certificate.zet.txt", $this->folder . '/bank.zet.txt');
        foreach ((array) glob("$demo/pictures/certificate/*.svg") as $picture) {
            $files->copy((string) $picture, $this->folder . '/' . basename((string) $picture));
        }
        file_put_contents($this->folder . '/blueprint.json', self::BLUEPRINT);
    }

    protected function tearDown(): void
    {
        (new Filesystem())->remove($this->folder);
    }

    /** @return array{int|null, string} */
    private function console(string ...$arguments): array
    {
        $process = new Process(['php', 'bin/console', ...$arguments], dirname(__DIR__, 3));
        $process->run();

        return [$process->getExitCode(), $process->getOutput()];
    }

    /** @return array{int|null, string} */
    private function package(string $as, string $out = 'out.zip'): array
    {
        return $this->console('zetema:package', $this->folder . '/blueprint.json', $this->folder . '/bank.zet.txt', "--as=$as", "--out=$this->folder/$out");
    }

    #[TestWith(['qti21', 'imsqti_v2p1', 'assessmentItemRef'])]
    #[TestWith(['qti30', 'imsqtiasi_v3p0', 'qti-assessment-item-ref'])]
    public function test_what_a_blueprint_can_deal_goes_out_and_comes_in_again(string $as, string $namespace, string $reference): void
    {
        [$code, $json] = $this->package($as);
        $told = Fields::ofJson($json);
        self::assertSame([0, []], [$code, $told->items('problems')]);
        self::assertContains('pictures/hive.svg', $told->texts('written'));
        $lost = array_map(static fn (Fields $u): string => $u->text('item') . ': ' . $u->text('what'), $told->objects('unmatched'));
        foreach (['fresh eggs: hint costs', 'winter stores: unit', 'winter bees, first swarm: apart', 'step 2: pool by condition, written as a list'] as $entry) {
            self::assertContains($entry, $lost);
        }
        $zip = new \ZipArchive();
        $zip->open($this->folder . '/out.zip');
        $test = (string) $zip->getFromName('tests/assessment.xml');
        $zip->close();
        self::assertStringContainsString($namespace, $test);
        self::assertSame(23, substr_count($test, "<$reference ") - 1, 'one fixed, 21 of a pool, two of another');
        self::assertStringContainsString('value="0.5"', $test, 'five of ten points');

        $read = Fields::ofJson($this->console('zetema:read', '--as=qti', $this->folder . '/out.zip')[1]);
        $names = array_map(static fn (Fields $q): string => $q->text('name'), $read->objects('questions'));
        self::assertSame(['fresh eggs', 24, []], [$names[0], count($names), $read->items('problems')]);
        $place = $read->objects('questions')[23];
        self::assertSame(
            ['Lid', 'pictures/hive.svg', 'Hive inspection > Order of work'],
            [$place->objects('labels')[0]->text('text'), $place->object('picture')->text('file'), $place->text('objective')],
            'words that were drawn are words again',
        );
    }

    public function test_the_same_comes_out_the_same_to_the_byte(): void
    {
        $this->package('qti30', 'a.zip');
        sleep(2); // a zip counts time in steps of two seconds
        $this->package('qti30', 'b.zip');
        self::assertFileEquals($this->folder . '/a.zip', $this->folder . '/b.zip');
    }

    public function test_without_a_picture_nothing_is_written(): void
    {
        unlink($this->folder . '/hive.svg');
        [$code, $json] = $this->package('qti21');
        self::assertSame(1, $code);
        self::assertStringContainsString('hive.svg', Fields::ofJson($json)->texts('problems')[0]);
        self::assertFileDoesNotExist($this->folder . '/out.zip');
    }

    public function test_a_blueprint_that_names_nothing_here_is_a_problem_and_wrong_use_ends_with_2(): void
    {
        file_put_contents($this->folder . '/blueprint.json', '{"steps":[{"question":"nowhere"}]}');
        [$code, $json] = $this->package('qti21');
        self::assertSame([1, []], [$code, Fields::ofJson($json)->texts('written')]);
        self::assertSame([2, ''], $this->package('riddle'));
        self::assertSame([2, ''], $this->package('qti21', 'no/such/folder.zip'));
    }
}
