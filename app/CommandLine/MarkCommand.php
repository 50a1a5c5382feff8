<?php

declare(strict_types=1);

namespace Zetema\App\CommandLine;

use Symfony\Component\Console\Attribute\Argument;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Attribute\Option;
use Symfony\Component\Console\Exception\InvalidArgumentException;
use Symfony\Component\Console\Output\OutputInterface;
use Zetema\App\CommandLine\Files\FileSources;
use Zetema\App\CommandLine\Files\QuestionFiles;
use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Marking\Marker;
use Zetema\Core\Marking\Plan\MarkingPlan;
use Zetema\Core\Question\Question;
use Zetema\Core\Question\Settings\EffectiveSettings;

#[AsCommand('zetema:mark', 'Marks responses: one verdict for each case, in order')]
final class MarkCommand
{
    public function __invoke(
        OutputInterface $output,
        #[Argument('A file of questions, or -')]
        string $file,
        #[Option('A JSON file with a list of cases')]
        string $cases = '',
        #[Option(FileSources::FROM)]
        ?string $from = null,
        #[Option('Another spelling of --from')]
        ?string $as = null,
    ): int {
        $list = json_decode(
            QuestionFiles::contents($cases === '' ? throw new InvalidArgumentException('Name the cases: --cases=FILE.') : $cases),
            true,
        );
        if (!is_array($list) || !array_is_list($list)) {
            throw new InvalidArgumentException('The cases are no JSON list.');
        }
        $texts = new QuestionFiles(FileSources::said($from ?? $as));
        $byNumber = [];
        $byName = [];
        foreach ($texts->questions([$file]) as $number => $question) {
            $byNumber[$number] = $question;
            if ($question->name !== null) {
                $byName[$question->name] = $question;
            }
        }
        $results = array_map(static function (mixed $case) use ($texts, $byNumber, $byName): array {
            try {
                $fields = Fields::of($case, '')->only('question', 'response', 'attempt', 'hints', 'late');
                $name = $fields->raw()['question'] ?? null;
                $question = is_int($name) ? $byNumber[$name] ?? null : (is_string($name) ? $byName[$name] ?? null : null);

                $question ??= throw new Malformed('question', 'there is none of this name or number');

                return self::mark($question, $texts->effective($question), $fields);
            } catch (Malformed $e) {
                return ['error' => $e->getMessage()];
            }
        }, $list);
        QuestionFiles::print($output, $results);

        return $texts->problems() === [] ? 0 : 1;
    }

    /** @return array<string, mixed> */
    private static function mark(Question $question, EffectiveSettings $settings, Fields $case): array
    {
        $attempt = $case->integer('attempt', 1);
        $hints = $case->integer('hints', 0);
        $late = $case->flag('late', false);
        if ($attempt < 1 || ($settings->attempts() !== null && $attempt > $settings->attempts())) {
            throw new Malformed('attempt', sprintf('must be from 1 to %s', $settings->attempts() ?? 'any number'));
        }
        if ($hints < 0 || $hints > count($question->hints)) {
            throw new Malformed('hints', sprintf('must be from 0 to %d, which the question has', count($question->hints)));
        }
        $response = $question->kind->response($case->raw()['response'] ?? null, $settings, complete: !$late);

        return (new Marker())->mark(MarkingPlan::of($question, $settings), $response, $attempt, $hints, $late)->toData();
    }
}
