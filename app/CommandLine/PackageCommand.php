<?php

declare(strict_types=1);

namespace Zetema\App\CommandLine;

use Symfony\Component\Console\Attribute\Argument;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Attribute\Option;
use Symfony\Component\Console\Exception\InvalidArgumentException;
use Symfony\Component\Console\Output\OutputInterface;
use Zetema\App\CommandLine\Files\FileBank;
use Zetema\App\CommandLine\Files\FileSources;
use Zetema\App\CommandLine\Files\QuestionFiles;
use Zetema\App\Shared\FixedZip;
use Zetema\Core\Blueprint\Reading\BlueprintReader;
use Zetema\Core\Blueprint\Reading\BlueprintRefused;
use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Exchange\Qti\Unmatched;
use Zetema\Core\Exchange\Qti\Writing\PackageWriter;
use Zetema\Core\Exchange\Qti\Writing\Version;

#[AsCommand('zetema:package', 'Writes the questions that a blueprint can deal, and itself, as a package of the open standard')]
final class PackageCommand
{
    /** @param list<string> $files */
    public function __invoke(
        OutputInterface $output,
        #[Argument('A blueprint in JSON')]
        string $blueprint,
        #[Argument('Files of questions')]
        array $files,
        #[Option('qti21 or qti30')]
        string $as = '',
        #[Option('The zip to be written')]
        string $out = '',
        #[Option(FileSources::FROM)]
        ?string $from = null,
    ): int {
        $version = Version::tryFrom($as) ?? throw new InvalidArgumentException('Say --as=qti21 or --as=qti30.');
        if ($out === '' || !is_dir(dirname($out))) {
            throw new InvalidArgumentException('Say where the zip goes: --out=FILE.zip, in a folder that is there.');
        }
        $files = array_values(array_filter($files, is_string(...)));
        $bank = new FileBank($files, FileSources::said($from));
        try {
            $package = $bank->written(BlueprintReader::read(Fields::ofJson(QuestionFiles::contents($blueprint))->raw(), $bank));
        } catch (Malformed|BlueprintRefused $e) {
            return self::told($output, problems: $e instanceof BlueprintRefused ? $e->refusals : [$e->getMessage()]);
        }
        $writer = new PackageWriter($version, QuestionFiles::pictures($files));
        $writer->write($package->questions, $package->test, $package->unmatched);
        $problems = [
            ...$bank->problems(),
            ...array_map(static fn (string $file): string => sprintf('“%s” is not beside the text that shows it', $file), $writer->missing),
        ];
        if ($problems !== []) {
            return self::told($output, problems: $problems);
        }
        if (!FixedZip::write($out, $writer->files)) {
            return self::told($output, problems: [sprintf('“%s” cannot be written', $out)]);
        }

        return self::told($output, array_keys($writer->files), $writer->unmatched);
    }

    /**
     * @param list<string> $written
     * @param list<Unmatched> $unmatched
     * @param array<array-key, mixed> $problems
     */
    private static function told(OutputInterface $output, array $written = [], array $unmatched = [], array $problems = []): int
    {
        QuestionFiles::print($output, [
            'written' => $written,
            'unmatched' => array_map(static fn (Unmatched $u): array => $u->toData(), $unmatched),
            'problems' => $problems,
        ]);

        return $problems === [] ? 0 : 1;
    }
}
