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
use Zetema\App\CommandLine\Files\JsonFile;
use Zetema\App\CommandLine\Files\QuestionFiles;
use Zetema\Core\Blueprint\Reading\BlueprintReader;
use Zetema\Core\Blueprint\Reading\BlueprintRefused;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Drawing\Proof\CannotDeal;
use Zetema\Core\Sitting\Outside\SittingFile;
use Zetema\Core\Sitting\Outside\SittingRun;

#[AsCommand('zetema:sit', 'What recorded events of sittings come to')]
final class SitCommand
{
    /** @param list<string> $files */
    public function __invoke(
        OutputInterface $output,
        #[Argument('A blueprint in JSON')]
        string $blueprint,
        #[Argument('Files of questions, or -')]
        array $files,
        #[Option('The seed of the form, where a sitting names none')]
        string $seed = '1',
        #[Option('A JSON file with one sitting, or a list of them')]
        string $events = '',
        #[Option(FileSources::FROM)]
        ?string $from = null,
    ): int {
        if (preg_match('/^-?\d{1,18}$/D', $seed) !== 1 || $events === '') {
            throw new InvalidArgumentException('--seed is a whole number; name the sittings: --events=FILE.');
        }
        $document = JsonFile::read($blueprint);
        $sittings = self::sittings(JsonFile::read($events));
        $bank = new FileBank(array_values(array_filter($files, is_string(...))), FileSources::said($from));
        if ($bank->problems() !== []) {
            QuestionFiles::print($output, ['problems' => $bank->problems()]);

            return 1;
        }
        try {
            $plan = BlueprintReader::read($document, $bank);
            $dealer = $bank->dealer($plan);
            $papers = $bank->papers($plan);
            $results = array_map(
                static function (SittingFile $sitting) use ($dealer, $papers, $seed): array {
                    $form = $dealer->deal($sitting->seed ?? (int) $seed);

                    return ['id' => $sitting->id, 'seed' => $form->seed, ...SittingRun::result($papers->paper($form), $sitting)];
                },
                is_array($sittings) ? $sittings : [$sittings],
            );
        } catch (BlueprintRefused $e) {
            QuestionFiles::print($output, ['problems' => $e->refusals]);

            return 1;
        } catch (CannotDeal $e) {
            QuestionFiles::print($output, DealCommand::cannot($e));

            return 1;
        }
        QuestionFiles::print($output, is_array($sittings) ? $results : $results[0]);

        return 0;
    }

    /** @return SittingFile|list<SittingFile> */
    private static function sittings(mixed $written): SittingFile|array
    {
        try {
            return is_array($written) && array_is_list($written)
                ? array_map(SittingFile::read(...), $written)
                : SittingFile::read($written);
        } catch (Malformed $e) {
            throw new InvalidArgumentException('The events are no sitting: ' . $e->getMessage());
        }
    }
}
