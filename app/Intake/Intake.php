<?php

declare(strict_types=1);

namespace Zetema\App\Intake;

use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use Psr\Clock\ClockInterface;
use Zetema\App\Bank\Bank;
use Zetema\App\Bank\Media\PictureSizes;
use Zetema\App\Bank\Objective\Objective;
use Zetema\App\Bank\Objective\Objectives;
use Zetema\App\Bank\Page\Page;
use Zetema\App\Bank\Question\Question;
use Zetema\App\People\Account;
use Zetema\Core\Data\AuthorText;
use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Exchange\TextFormat\Reader;
use Zetema\Core\Exchange\TextFormat\ReadQuestion;
use Zetema\Core\Question\Answers\AnswerLine;
use Zetema\Core\Question as Core;
use Zetema\Core\Question\Problem;
use Zetema\Core\Question\Settings\BankSettings;
use Zetema\Core\Question\Settings\Settings;
use Zetema\Core\Question\Sketch;

/** Bringing questions in from text: what was understood, taking it in, taking it back. */
final readonly class Intake
{
    /** Bytes of text that are read at once. */
    private const LONGEST = 4_000_000;

    public function __construct(private EntityManagerInterface $em, private Connection $db, private Objectives $objectives, private PictureSizes $sizes, private ClockInterface $clock)
    {
    }

    /** @return array<string, mixed> */
    public function understand(Bank $bank, string $text): array
    {
        self::refuseTooLong($text);
        $names = $this->names($bank);
        $stems = $this->stems($bank);
        $reader = new Reader();
        $questions = [];
        foreach ($reader->questions($text) as $read) {
            $questions[] = self::told($read, $names, $stems);
        }

        $problems = array_map(static fn (Problem $p): array => $p->toData(), $reader->outside());

        return ['bank' => $reader->bank(), 'bankSettings' => self::news($bank, $reader->bankSettings()), 'questions' => $questions, 'problems' => $problems, 'pages' => array_map(static fn ($page): string => $page->name, $reader->pages())];
    }

    /**
     * Takes in the questions that open at these lines.
     *
     * @param list<int> $lines
     */
    public function takeIn(Bank $bank, string $text, array $lines, string $name, Account $account): Batch
    {
        self::refuseTooLong($text);
        $chosen = array_fill_keys($lines, true);
        $names = $this->names($bank);
        $questions = [];
        $reader = new Reader();
        foreach ($reader->questions($text) as $read) {
            if (!isset($chosen[$read->fromLine])) {
                continue;
            }
            if ($read->question === null) {
                throw new Malformed('lines', sprintf('the question at line %d has problems and cannot be taken in yet', $read->fromLine));
            }
            if ($read->question->name !== null && isset($names[$read->question->name])) {
                throw new Malformed('lines', sprintf('the bank has a question named “%s” already (line %d)', $read->question->name, $read->fromLine));
            }
            $questions[] = $read->question;
        }
        if ($questions === [] || count($questions) !== count($chosen)) {
            throw new Malformed('lines', $questions === [] ? 'no question is chosen' : 'some of these lines open no question');
        }
        $bank->fillIn($reader->bankSettings());
        $now = $this->clock->now();
        $batch = new Batch($bank, $account, mb_substr(trim($name) === '' ? 'pasted text' : trim($name), 0, 160), count($questions), $now);
        $this->em->persist($batch);
        $objectives = $this->objectives->ensure($bank, array_map(static fn ($q): array => $q->objective, $questions), $batch);
        foreach ($questions as $question) {
            $this->em->persist(new Question($bank, $objectives[implode(Objective::SEPARATOR, $question->objective)] ?? null, $this->sketch($bank, $question), $question->name, $account, $now, $batch));
        }
        foreach ($reader->pages() as $page) {
            if ($this->em->getRepository(Page::class)->findOneBy(['bank' => $bank, 'name' => $page->name]) === null) {
                $this->em->persist(new Page($bank, $page->name, $page->heading, $page->reads, $account, $now, $batch));
            }
        }
        $this->em->flush();

        return $batch;
    }

    /**
     * Takes a batch back: all its questions that nobody has changed since and that no edition holds; and objectives that came with it
     * and are empty now.
     *
     * @return array{taken: int, kept: int}
     */
    public function takeBack(Batch $batch): array
    {
        if ($batch->isTakenBack()) {
            throw new Malformed('batch', 'has been taken back already');
        }

        return $this->db->transactional(function () use ($batch): array {
            $free = "batch_id = ? AND version = 1 AND NOT EXISTS (SELECT 1 FROM edition e, json_each(e.revision_ids) held JOIN revision r ON r.id = held.value WHERE r.question_id = question.id)
                AND NOT EXISTS (SELECT 1 FROM sitting s, json_each(s.form) f JOIN revision r ON r.id = json_extract(f.value, '$.revision') WHERE s.edition_id IS NOT NULL AND r.question_id = question.id)";
            $taken = $this->db->executeStatement('DELETE FROM question WHERE ' . $free, [$batch->id]);
            $this->db->executeStatement('DELETE FROM page WHERE batch_id = ? AND version = 1', [$batch->id]);
            do {
                $emptied = $this->db->executeStatement(
                    'DELETE FROM objective WHERE batch_id = ? AND id NOT IN (SELECT objective_id FROM question WHERE objective_id IS NOT NULL) AND id NOT IN (SELECT parent_id FROM objective WHERE parent_id IS NOT NULL)',
                    [$batch->id],
                );
            } while ($emptied > 0);
            $batch->takeBack($this->clock->now());
            $this->em->flush();

            return ['taken' => (int) $taken, 'kept' => $batch->questions - (int) $taken];
        });
    }

    /**
     * @param array<array-key, true> $names
     * @param array<array-key, int> $stems
     *
     * @return array<string, mixed>
     */
    private static function told(ReadQuestion $read, array $names, array $stems): array
    {
        $question = $read->question;
        $problems = array_map(static fn (Problem $p): array => $p->toData(), $read->problems);
        if ($question?->name !== null && isset($names[$question->name])) {
            $problems[] = ['line' => $read->fromLine, 'column' => 1, 'message' => sprintf('the bank has a question named “%s” already; give this one another name', $question->name)];
        }

        return [
            'fromLine' => $read->fromLine,
            'toLine' => $read->toLine,
            'problems' => $problems,
            'same' => $question === null ? null : $stems[self::likeness($question->stem)] ?? null,
            'question' => $question === null ? null : [
                'kind' => $question->kind::id()->value,
                'name' => $question->name,
                'objective' => implode(Objective::SEPARATOR, $question->objective),
                'stem' => $question->stem,
                'choices' => array_map(static fn ($c): array => ['text' => $c->text, 'key' => $c->isKey, 'weight' => $c->weight], $question->kind->choices()),
                'answers' => $question->kind->choices() === [] ? AnswerLine::texts($question->kind->keyInWords()) : [],
                'settings' => (object) $question->settings->values,
                'status' => $question->status->value,
            ],
        ];
    }

    /** @return list<array{kind: string|null, setting: string, value: string}> what a file sets for the bank and the bank does not set itself */
    private static function news(Bank $bank, BankSettings $read): array
    {
        $news = [];
        foreach (['' => $read->every, ...$read->byKind] as $kind => $settings) {
            $mine = $kind === '' ? $bank->settings()->every : $bank->settings()->byKind[$kind] ?? Settings::none();
            foreach (array_diff_key($settings->values, $mine->values) as $word => $value) {
                $news[] = ['kind' => $kind === '' ? null : $kind, 'setting' => $word, 'value' => $value];
            }
        }

        return $news;
    }

    /** @return array<array-key, true> the names that are taken */
    private function names(Bank $bank): array
    {
        return array_fill_keys(array_filter($this->db->fetchFirstColumn('SELECT name FROM question WHERE bank_id = ? AND name IS NOT NULL', [$bank->id]), is_string(...)), true);
    }

    private function sketch(Bank $bank, Core\Question $question): Sketch
    {
        return Sketch::of($this->sizes->fill($bank, Fields::of($question->toData())), $question->name, $question->objective, $question->status);
    }

    private static function refuseTooLong(string $text): void
    {
        if (strlen($text) > self::LONGEST) {
            throw new Malformed('text', sprintf('has %.1f MB; up to %d MB can be read at once, so bring it in as several files', strlen($text) / 1e6, intdiv(self::LONGEST, 1_000_000)));
        }
    }

    /** @return array<array-key, int> ids by stem, in the form in which stems are compared */
    private function stems(Bank $bank): array
    {
        $like = [];
        foreach ($this->db->fetchAllNumeric('SELECT excerpt, id FROM question WHERE bank_id = ?', [$bank->id]) as [$stem, $id]) {
            if (is_string($stem) && is_numeric($id)) {
                $like[self::likeness($stem)] = (int) $id;
            }
        }

        return $like;
    }

    private static function likeness(string $stem): string
    {
        return mb_strtolower(preg_replace('/[^\p{L}\p{N}]+/u', ' ', AuthorText::excerpt($stem)) ?? '');
    }
}
