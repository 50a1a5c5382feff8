<?php

declare(strict_types=1);

namespace Zetema\App\Intake;

use Doctrine\ORM\EntityManagerInterface;
use Psr\Clock\ClockInterface;
use Zetema\App\Background\Job;
use Zetema\App\Background\Jobs;
use Zetema\App\Bank\Bank;
use Zetema\App\Bank\Batch;
use Zetema\App\Bank\Media\Media;
use Zetema\App\Bank\Objective\Objective;
use Zetema\App\Bank\Settings\BankSettingsEditing;
use Zetema\App\People\Account;
use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Exchange\Aside;
use Zetema\Core\Exchange\Found;
use Zetema\Core\Exchange\Table\TableSource;
use Zetema\Core\Exchange\TextFormat\Page;
use Zetema\Core\Question\Answers\AnswerLine;
use Zetema\Core\Question\Mentions;
use Zetema\Core\Question\Problem;
use Zetema\Core\Question\Settings\BankSettings;
use Zetema\Core\Question\Settings\Settings;
use Zetema\Core\Question\TextWork;

/** Bringing questions in from text: what was understood, taking it in. */
final readonly class Intake
{
    private const PIECE = 200;

    public function __construct(
        private EntityManagerInterface $em,
        private BankLookup $lookup,
        private KnownQuestions $known,
        private TakingBack $entries,
        private BankSettingsEditing $settings,
        private Jobs $jobs,
        private Media $media,
        private ClockInterface $clock,
    ) {
    }

    /** @return array<string, mixed> */
    public function understand(Bank $bank, Brought $brought): array
    {
        $plain = $brought->plain();
        $source = $brought->given->asked($plain);
        $questions = [];
        foreach (self::pieces($source->questions()) as $piece) {
            $known = $this->known->of($bank, $piece);
            foreach ($piece as $read) {
                $questions[] = self::told($read, $known[$read->fromLine] ?? null);
            }
        }

        $report = $source->report();

        return [
            'as' => $brought->format->value,
            'bank' => $report->bank,
            'isOwn' => $report->bank !== null && $report->bank === $bank->name(),
            'bankSettings' => self::news($bank, $report->bankSettings),
            'questions' => $questions,
            'problems' => array_map(static fn (Problem $p): array => $p->toData(), $report->problems),
            'pages' => array_map(static fn (Page $page): string => $page->name, $report->pages),
            'aside' => array_map(static fn (Aside $aside): array => $aside->toData(), $report->aside),
            'table' => $plain instanceof TableSource ? $plain->told() : null,
        ];
    }

    /**
     * Takes in the questions that open at these lines: at once if there are few, else in the background.
     *
     * @param list<int> $lines
     * @param int|null $batch one that this goes into as well: several files come in as one batch
     * @param array<string, string> $pictures hashes of files that were kept when a package was opened, by their names; those that are
     *   mentioned are taken in
     * @param list<Fields> $blueprints that come in when all questions have
     *
     * @throws Malformed if any of them cannot be taken in; then none is
     */
    public function takeIn(
        Bank $bank,
        Brought $brought,
        array $lines,
        string $name,
        Account $account,
        ?int $batch = null,
        array $pictures = [],
        array $blueprints = [],
    ): Job {
        $chosen = array_fill_keys($lines, true);
        $found = 0;
        $mentions = new Mentions();
        $source = $brought->source();
        foreach (self::pieces($source->questions()) as $piece) {
            $wanted = array_values(array_filter($piece, static fn (Found $read): bool => isset($chosen[$read->fromLine])));
            $this->refuseUnfit($bank, $wanted, $brought->again);
            $found += count($wanted);
            foreach ($pictures === [] ? [] : $wanted as $read) {
                $mentions->inQuestion($read->question?->toData() ?? []);
            }
        }
        if ($found === 0 || $found !== count($chosen)) {
            throw new Malformed('lines', $found === 0 ? 'no question is chosen' : 'some of these lines open no question');
        }

        $mentions->inTexts(...array_map(static fn (Page $page): string => $page->reads, $pictures === [] ? [] : $source->report()->pages));

        $input = [
            ...$brought->toData(),
            'lines' => array_keys($chosen),
            'blueprints' => array_map(static fn (Fields $b): array => $b->raw(), $blueprints),
        ];

        return $this->jobs->begin(TakeIn::class, $bank->id, $account, $input, count($chosen) <= TakeIn::AT_ONCE, function () use (
            $bank,
            $name,
            $account,
            $source,
            $batch,
            $pictures,
            $mentions,
        ): array {
            foreach (array_intersect_key($pictures, array_fill_keys($mentions->files(), true)) as $file => $hash) {
                $this->media->adopt($bank, $file, $hash);
            }
            $before = $bank->own();
            $bank->fillIn($source->report()->bankSettings);
            $name = mb_substr(trim($name) === '' ? 'pasted text' : trim($name), 0, 160);
            $into =
                $batch === null
                    ? new Batch($bank, $account, $name, $this->clock->now())
                    : $this->openBatch($bank, $batch, $account, $name);
            $isFilledIn = !$bank->own()->equals($before);
            $isFilledIn ? $this->settings->filledIn($bank, $account, $before) : null;
            $this->entries->record($into);
            $isFilledIn ? $this->settings->follow($bank, $account) : null;

            return ['batch' => $into->id];
        });
    }

    /** @throws Malformed unless it is of this bank and person, and not taken back */
    private function openBatch(Bank $bank, int $id, Account $account, string $name): Batch
    {
        $batch = $this->em->find(Batch::class, $id);
        if ($batch === null || $batch->bank !== $bank || $batch->account !== $account || $batch->isTakenBack()) {
            throw new Malformed('batch', 'is not one that more can be taken into');
        }
        $batch->alsoOf($name);

        return $batch;
    }

    /**
     * @param list<Found> $wanted
     * @param array<int, string> $again
     */
    private function refuseUnfit(Bank $bank, array $wanted, array $again): void
    {
        $names = $this->lookup->names(
            $bank,
            array_values(array_filter(array_map(static fn (Found $read): ?string => $read->question?->name, $wanted), is_string(...))),
        );
        foreach ($wanted as $read) {
            $work = $read->question === null ? null : TextWork::problemIn($read->question->toData());
            if ($work !== null) {
                throw new Malformed(
                    'lines',
                    sprintf('the question at line %d has %s, which no screen can show in good time', $read->fromLine, $work),
                );
            }
            if ($read->question === null) {
                throw new Malformed('lines', sprintf('the question at line %d has problems and cannot be taken in yet', $read->fromLine));
            }
            if ($read->question->name !== null && isset($names[$read->question->name]) && !isset($again[$read->fromLine])) {
                throw new Malformed(
                    'lines',
                    sprintf(
                        'the bank has a question named “%s” already (line %d); a new revision of it, or another one?',
                        $read->question->name,
                        $read->fromLine,
                    ),
                );
            }
        }
    }

    /**
     * @param iterable<Found> $questions
     *
     * @return \Generator<int, non-empty-list<Found>>
     */
    private static function pieces(iterable $questions): \Generator
    {
        $piece = [];
        foreach ($questions as $read) {
            $piece[] = $read;
            if (count($piece) === self::PIECE) {
                yield $piece;
                $piece = [];
            }
        }
        if ($piece !== []) {
            yield $piece;
        }
    }

    /**
     * @param array{id: int, by: string, isSame: bool, difference: list<array{text: string, change: string}>}|null $known
     *
     * @return array<string, mixed>
     */
    private static function told(Found $read, ?array $known): array
    {
        $question = $read->question;
        $work = $question === null ? null : TextWork::problemIn($question->toData());
        $problems = array_map(static fn (Problem $p): array => $p->toData(), [
            ...$read->problems,
            ...$work === null
                ? []
                : [new Problem($read->fromLine, 1, sprintf('It has %s, which no screen can show in good time.', $work))],
        ]);

        return [
            'fromLine' => $read->fromLine,
            'toLine' => $read->toLine,
            'problems' => $problems,
            'why' => $read->why,
            'known' => $known,
            'question' => $question === null
                    ? null
                    : [
                        'kind' => $question->kind::id()->value,
                        'name' => $question->name,
                        'objective' => implode(Objective::SEPARATOR, $question->objective),
                        'stem' => $question->stem,
                        'choices' => array_map(
                            static fn ($c): array => ['text' => $c->text, 'key' => $c->isKey, 'weight' => $c->weight],
                            $question->kind->choices(),
                        ),
                        'answers' => $question->kind->choices() === [] ? AnswerLine::texts($question->kind->keyInWords()) : [],
                        'settings' => (object) $question->settings->values,
                        'status' => $question->status->value,
                    ],
        ];
    }

    /**
     * @return list<array{kind: string|null, setting: string, value: string}> what a file sets for the bank and the bank does not set itself
     */
    private static function news(Bank $bank, BankSettings $read): array
    {
        $news = [];
        foreach (['' => $read->every, ...$read->byKind] as $kind => $settings) {
            $mine = $kind === '' ? $bank->own()->every : $bank->own()->byKind[$kind] ?? Settings::none();
            foreach (array_diff_key($settings->values, $mine->values) as $word => $value) {
                $news[] = ['kind' => $kind === '' ? null : $kind, 'setting' => $word, 'value' => $value];
            }
        }
        foreach (['' => $read->wording, ...$read->kindWording] as $kind => $wording) {
            foreach (
                array_diff_key($wording, $kind === '' ? $bank->own()->wording : $bank->own()->kindWording[$kind] ?? []) as $outcome => $text
            ) {
                $news[] = ['kind' => $kind === '' ? null : $kind, 'setting' => 'if ' . $outcome, 'value' => $text];
            }
        }

        return $news;
    }
}
