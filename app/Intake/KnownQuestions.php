<?php

declare(strict_types=1);

namespace Zetema\App\Intake;

use Doctrine\DBAL\Connection;
use SebastianBergmann\Diff\Differ;
use SebastianBergmann\Diff\Output\UnifiedDiffOutputBuilder;
use Zetema\App\Bank\Bank;
use Zetema\App\Bank\Question\Many\Standing;
use Zetema\Core\Data\AuthorText;
use Zetema\Core\Data\Fields;
use Zetema\Core\Exchange\Found;
use Zetema\Core\Exchange\TextFormat\Writer;
use Zetema\Core\Question\AlikeIndex;
use Zetema\Core\Question\Question;
use Zetema\Core\Question\Sketch;

/**
 * Questions of the bank that what is brought seems to be: those with its name, else with its stem, else with nearly its stem; and how the
 * two differ.
 */
final readonly class KnownQuestions
{
    /** Lines of a difference that are told. */
    private const MOST_LINES = 12;

    /** @var \WeakMap<Bank, AlikeIndex> */
    private \WeakMap $stems;

    public function __construct(private Connection $db, private BankLookup $lookup)
    {
        $this->stems = new \WeakMap();
    }

    /**
     * @param list<Found> $found
     *
     * @return array<int, array{id: int, by: string, isSame: bool, difference: list<array{text: string, change: string}>}> by the line each
     *   opens at
     */
    public function of(Bank $bank, array $found): array
    {
        $ids = $this->ids($bank, $found);
        $standing = iterator_to_array(
            Standing::of($this->db, $bank, array_values(array_unique(array_map(static fn (array $one): int => $one[0], $ids)))),
        );
        $known = [];
        foreach ($found as $read) {
            [$id, $by] = $ids[$read->fromLine] ?? [0, ''];
            if ($read->question === null || !isset($standing[$id])) {
                continue;
            }
            // Without an objective it stays where it is, without a name it keeps its own.
            $objective = $read->question->objective === [] ? $standing[$id]->names() : $read->question->objective;
            $became = $read->question->with($read->question->settings, $read->question->tags, $objective);
            $name = $read->question->name ?? $standing[$id]->name;
            $difference = self::difference(self::text($standing[$id]), self::lines($name === null ? $became : $became->named($name)));
            $known[$read->fromLine] = [
                'id' => $id,
                'by' => $by,
                'isSame' => $difference === [],
                'difference' => array_slice($difference, 0, self::MOST_LINES),
            ];
        }

        return $known;
    }

    /**
     * @param list<Found> $found
     *
     * @return array<int, array{int, string}> id, and "name", "stem" or "near", by the line
     */
    public function ids(Bank $bank, array $found): array
    {
        $whole = array_values(array_filter(array_map(static fn (Found $read): ?Question => $read->question, $found)));
        $names = $this->lookup->names(
            $bank,
            array_values(array_filter(array_map(static fn (Question $q): ?string => $q->name, $whole), is_string(...))),
        );
        $stems = $this->lookup->stems($bank, array_map(static fn (Question $q): string => AuthorText::comparable($q->stem), $whole));
        $ids = [];
        foreach ($found as $read) {
            $question = $read->question;
            $byName = $question?->name === null ? null : $names[$question->name] ?? null;
            $byStem = $question === null ? null : $stems[AuthorText::comparable($question->stem)] ?? null;
            if ($byName !== null || $byStem !== null) {
                $ids[$read->fromLine] = $byName !== null ? [$byName, 'name'] : [$byStem, 'stem'];
            }
        }

        return $ids + $this->near($bank, $found, $ids);
    }

    /**
     * Those whose stem is nearly that of a question of the bank.
     *
     * @param list<Found> $found
     * @param array<int, array{int, string}> $known by the line
     *
     * @return array<int, array{int, string}>
     */
    private function near(Bank $bank, array $found, array $known): array
    {
        $new = array_filter($found, static fn (Found $read): bool => $read->question !== null && !isset($known[$read->fromLine]));
        if ($new === []) {
            return [];
        }
        // Looked up for piece after piece of one text: the bank's stems are put in order once.
        $index = $this->stems[$bank] ??= new AlikeIndex($this->lookup->allStems($bank));
        $near = [];
        foreach ($new as $read) {
            $id = $index->nearest($read->question->stem ?? '');
            if ($id !== null) {
                $near[$read->fromLine] = [$id, 'near'];
            }
        }

        return $near;
    }

    /** @return list<string> */
    private static function text(Standing $standing): array
    {
        $question = Sketch::of(Fields::of($standing->content), $standing->name, $standing->names(), $standing->status)->question;

        return $question === null ? ['(not whole yet)'] : self::lines($question);
    }

    /** @return list<string> without what a file never raises: its status */
    private static function lines(Question $question): array
    {
        $lines = explode("\n", trim((new Writer())->question($question)));

        return array_values(
            array_filter($lines, static fn (string $line): bool => $line !== '' && preg_match('/^\s*status:/', $line) !== 1),
        );
    }

    /**
     * @param list<string> $mine
     * @param list<string> $theirs
     *
     * @return list<array{text: string, change: string}> the lines that differ
     */
    private static function difference(array $mine, array $theirs): array
    {
        if ($mine === $theirs) {
            return [];
        }
        $lines = [];
        foreach ((new Differ(new UnifiedDiffOutputBuilder()))->diffToArray($mine, $theirs) as $entry) {
            if (is_array($entry) && is_string($entry[0] ?? null) && in_array($entry[1] ?? null, [Differ::ADDED, Differ::REMOVED], true)) {
                $lines[] = ['text' => trim($entry[0]), 'change' => $entry[1] === Differ::ADDED ? 'added' : 'taken out'];
            }
        }

        return $lines;
    }
}
