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
use Zetema\Core\Blueprint\Reading\BlueprintReader;
use Zetema\Core\Blueprint\Reading\BlueprintRefused;
use Zetema\Core\Blueprint\Reading\Refusal;
use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Drawing\Proof\CannotDeal;

#[AsCommand('zetema:deal', 'Deals forms of a blueprint from files of questions')]
final class DealCommand
{
    /** @param list<string> $files */
    public function __invoke(
        OutputInterface $output,
        #[Argument('A blueprint in JSON')]
        string $blueprint,
        #[Argument('Files of questions, or -')]
        array $files,
        #[Option('The seed of the first form')]
        string $seed = '',
        #[Option('How many forms: of the seed, the seed + 1, …')]
        string $forms = '1',
        #[Option('Deal cleared questions only')]
        bool $clearedOnly = false,
        #[Option(FileSources::FROM)]
        ?string $from = null,
    ): int {
        if (preg_match('/^-?\d{1,18}$/', $seed) !== 1 || preg_match('/^[1-9]\d{0,6}$/', $forms) !== 1) {
            throw new InvalidArgumentException('--seed is a whole number and must be given; --forms is a number from 1.');
        }
        $bank = new FileBank(array_values(array_filter($files, is_string(...))), FileSources::said($from), $clearedOnly);
        try {
            $document = Fields::ofJson(QuestionFiles::contents($blueprint))->raw();
            $plan = BlueprintReader::read($document, $bank);
            $dealer = $bank->dealer($plan);
            $papers = $bank->papers($plan);
            $dealt = [];
            for ($i = 0; $i < (int) $forms; ++$i) {
                $form = $dealer->deal((int) $seed + $i);
                $dealt[] = ['seed' => $form->seed, 'questions' => $form->questions(), 'points' => (string) $papers->paper($form)->max()];
            }
        } catch (CannotDeal $e) {
            QuestionFiles::print($output, self::cannot($e));

            return 1;
        } catch (Malformed $e) {
            QuestionFiles::print($output, ['problems' => [$e->getMessage()]]);

            return 1;
        } catch (BlueprintRefused $e) {
            // Of the first version they were always told in words alone, and are.
            QuestionFiles::print($output, [
                'problems' => ($document['v'] ?? 1) === 1
                        ? array_map(static fn (Refusal $refusal): string => $refusal->message, $e->refusals)
                        : $e->refusals,
            ]);

            return 1;
        }
        QuestionFiles::print($output, ['forms' => $dealt, ...$bank->problems() === [] ? [] : ['problems' => $bank->problems()]]);

        return $bank->problems() === [] ? 0 : 1;
    }

    /** @return array<string, mixed> why it cannot be dealt; draws count from 1 */
    public static function cannot(CannotDeal $e): array
    {
        return $e->shortage !== null
            ? ['infeasible' => ['draws' => $e->shortage->draws, 'ask' => $e->shortage->ask, 'fit' => $e->shortage->fit]]
            : ['notFound' => ['tries' => $e->tries]];
    }
}
