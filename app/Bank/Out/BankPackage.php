<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Out;

use Zetema\App\Bank\Bank;
use Zetema\App\Bank\Media\Media;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Exchange\Qti\Unmatched;
use Zetema\Core\Exchange\Qti\Writing\PackageWriter;
use Zetema\Core\Exchange\Qti\Writing\Version;
use Zetema\Core\Exchange\Qti\Writing\WrittenSection;
use Zetema\Core\Exchange\Qti\Writing\WrittenTest;
use Zetema\Core\Question\Settings\Late;

/** A bank's questions as a package of the open standard, and beforehand what of them it cannot say. */
final readonly class BankPackage
{
    /** Questions of a package; a zip of more entries is refused by many who read one, by us too. */
    public const MOST = 4_000;

    public function __construct(private QuestionsInOrder $questions, private Media $media)
    {
    }

    /**
     * @param callable(): mixed|null $beat at each question, since some take long
     *
     * @return array<string, string> contents by path
     *
     * @throws Malformed if there are too many
     */
    public function files(Bank $bank, Selection $selection, Version $version, ?callable $beat = null): array
    {
        return $this->written($bank, $selection, $version, $beat)[0]->files;
    }

    /**
     * @param callable(): mixed $beat at each question
     *
     * @return array{rows: int, without: list<string>, missing: list<array{what: string, questions: int}>} questions that are not whole and
     *   stay out; and of how many others what is missing
     *
     * @throws Malformed if there are too many
     */
    public function missing(Bank $bank, Selection $selection, Version $version, callable $beat): array
    {
        [$writer, $count, $without] = $this->written($bank, $selection, $version, $beat);
        $missing = array_count_values(array_map(static fn (Unmatched $u): string => trim(explode(':', $u->what)[0]), $writer->unmatched));
        if ($writer->missing !== []) {
            $missing['pictures that the bank does not have'] = count($writer->missing);
        }
        arsort($missing);

        return [
            'rows' => $count,
            'without' => $without,
            'missing' => array_map(
                static fn (string $what, int $n): array => ['what' => $what, 'questions' => $n],
                array_map(strval(...), array_keys($missing)),
                array_values($missing),
            ),
        ];
    }

    /**
     * @param callable(): mixed|null $beat
     *
     * @return array{PackageWriter, int, list<string>}
     */
    private function written(Bank $bank, Selection $selection, Version $version, ?callable $beat): array
    {
        $settings = $bank->settings();
        $questions = [];
        $without = [];
        foreach ($this->questions->of($bank, $selection->questions) as $piece) {
            foreach ($piece as $question) {
                $core = $selection->question($question);
                if ($core === null) {
                    $without[] = $question->name() ?? $question->excerpt();
                } else {
                    $questions[$core->name ?? (string) (count($questions) + 1)] = [$core, $core->effective($settings)];
                }
            }
            if ($beat !== null) {
                $beat();
            }
            if (count($questions) > self::MOST) {
                throw new Malformed(
                    'questions',
                    sprintf('are more than the %s that a package holds; narrow the list first', number_format(self::MOST)),
                );
            }
        }
        $writer = new PackageWriter($version, $this->media->contentsOf($bank));
        // Attempts and times stand in a test: one section of all of them.
        $references = array_map(
            static function (string $name, array $asked): array {
                $attempts = $asked[1]->attempts();

                return [
                    'name' => $name,
                    'attempts' => $attempts === 1 ? null : $attempts ?? 0,
                    'seconds' => $asked[1]->seconds(),
                    'isLateMarked' => $asked[1]->late() === Late::Marks,
                    'weight' => null,
                ];
            },
            array_map(strval(...), array_keys($questions)),
            $questions,
        );
        $writer->write(
            $questions,
            $questions === [] ? null : new WrittenTest($bank->name(), [new WrittenSection('Questions', $references)]),
            beat: $beat,
        );

        return [$writer, count($questions), $without];
    }
}
