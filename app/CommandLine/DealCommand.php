<?php

declare(strict_types=1);

namespace Zetema\App\CommandLine;

use Symfony\Component\Console\Attribute\Argument;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Attribute\Option;
use Symfony\Component\Console\Exception\InvalidArgumentException;
use Symfony\Component\Console\Output\OutputInterface;
use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Drawing\Dealer;
use Zetema\Core\Drawing\DealingPlan;
use Zetema\Core\Drawing\Proof\CannotDeal;
use Zetema\Core\Drawing\Stock\EligibleQuestion;
use Zetema\Core\Drawing\Stock\ListedStock;
use Zetema\Core\Drawing\UnknownQuestion;
use Zetema\Core\Marking\Plan\MarkingPlan;
use Zetema\Core\Question\Question;
use Zetema\Core\Question\Settings\EffectiveSettings;
use Zetema\Core\Question\Settings\InvalidSetting;
use Zetema\Core\Question\Status;

#[AsCommand('zetema:deal', 'Deals forms of a blueprint from text files')]
final class DealCommand
{
    /** @param list<string> $files */
    public function __invoke(
        OutputInterface $output,
        #[Argument('A blueprint in JSON')]
        string $blueprint,
        #[Argument('Files in the text format, or -')]
        array $files,
        #[Option('The seed of the first form')]
        string $seed = '',
        #[Option('How many forms: of the seed, the seed + 1, …')]
        string $forms = '1',
        #[Option('Deal cleared questions only')]
        bool $clearedOnly = false,
    ): int {
        if (preg_match('/^-?\d{1,18}$/', $seed) !== 1 || preg_match('/^[1-9]\d{0,6}$/', $forms) !== 1) {
            throw new InvalidArgumentException('--seed is a whole number and must be given; --forms is a number from 1.');
        }
        $texts = new TextFiles();
        $eligible = $others = [];
        foreach ($texts->questions(array_values(array_filter($files, is_string(...)))) as $number => $question) {
            $plain = self::eligible($question, $texts->effective($question), $number);
            if ($question->status !== Status::Retired && (!$clearedOnly || $question->status === Status::Cleared)) {
                $eligible[] = $plain;
            } else {
                $others[] = $plain->id;
            }
        }
        try {
            $dealer = new Dealer(DealingPlan::fromData(Fields::ofJson(TextFiles::contents($blueprint))), new ListedStock($eligible, $others));
            $dealt = [];
            for ($i = 0; $i < (int) $forms; ++$i) {
                $form = $dealer->deal((int) $seed + $i);
                $dealt[] = ['seed' => $form->seed, 'questions' => $form->ids(), 'points' => (string) $form->points()];
            }
        } catch (CannotDeal $e) {
            TextFiles::print($output, $e->shortage !== null
                ? ['infeasible' => ['draws' => $e->shortage->draws, 'ask' => $e->shortage->ask, 'fit' => $e->shortage->fit]]
                : ['notFound' => ['tries' => $e->tries]]);

            return 1;
        } catch (Malformed|UnknownQuestion|InvalidSetting $e) {
            TextFiles::print($output, ['problems' => [$e->getMessage()]]);

            return 1;
        }
        TextFiles::print($output, ['forms' => $dealt, ...($texts->problems() === [] ? [] : ['problems' => $texts->problems()])]);

        return $texts->problems() === [] ? 0 : 1;
    }

    private static function eligible(Question $question, EffectiveSettings $settings, int $number): EligibleQuestion
    {
        return new EligibleQuestion(
            $question->name ?? (string) $number,
            $question->kind::id()->value,
            $question->objective,
            $question->tags,
            $question->difficulty?->value,
            MarkingPlan::of($question, $settings)->max(),
        );
    }
}
