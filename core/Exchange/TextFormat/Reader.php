<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\TextFormat;

use Zetema\Core\Data\ToldToPeople;
use Zetema\Core\Exchange\Found;
use Zetema\Core\Question\Feedback\Outcome;
use Zetema\Core\Question\Kinds\KindId;
use Zetema\Core\Question\Line;
use Zetema\Core\Question\Problem;
use Zetema\Core\Question\Problems;
use Zetema\Core\Question\Question;
use Zetema\Core\Question\Settings\BankSettings;
use Zetema\Core\Question\Settings\InvalidSetting;
use Zetema\Core\Question\Settings\Setting;
use Zetema\Core\Question\Settings\Settings;

/** Reads the text format. It never stops at an error: a question with problems is told with them, the others are whole. */
final class Reader
{
    private ?string $bank = null;
    /** @var list<string> */
    private array $objective = [];
    private Defaults $defaults;
    /** @var array<string, true> names of questions so far */
    private array $names = [];
    /** @var list<Problem> problems outside any question */
    private array $outside = [];

    private ?Line $opening = null;
    /** @var list<Line> */
    private array $parts = [];
    private Problems $problems;
    private int $lastLine = 0;
    private ?string $every = null;
    /** Whether the settings that follow are the bank's, not a shorthand for questions of the file. */
    private bool $ofBank = false;
    /** @var array<string, Settings> by kind; '' for every question */
    private array $bankSettings = [];
    /** @var array<string, array<string, string>> by kind, '' for every question, and by outcome */
    private array $bankWording = [];
    private ?Line $page = null;
    /** @var array<string, Line> */
    private array $pageLines = [];
    /** @var list<Page> */
    private array $pages = [];

    public function __construct(private readonly Lexer $lexer = new Lexer(), private readonly Assembler $assembler = new Assembler())
    {
        $this->defaults = new Defaults();
        $this->problems = new Problems();
    }

    /** @return \Generator<int, Found> in the order of the text */
    public function questions(string $text): \Generator
    {
        if (!mb_check_encoding($text, 'UTF-8')) {
            $this->outside[] = new Problem(1, 1, 'this text is not UTF-8; save it as UTF-8 or choose its encoding');

            return;
        }
        foreach ($this->lexer->lines($text) as $line) {
            if ($line instanceof Problem) {
                $this->lastLine = $line->line;
                $this->opening === null ? ($this->outside[] = $line) : $this->problems->add($line);
                continue;
            }
            if ($this->opensNext($line)) {
                yield from $this->finished();
                $this->closePage();
            }
            $this->take($line);
            $this->lastLine = $line->line + substr_count($line->text, "\n");
        }
        yield from $this->finished();
        $this->closePage();
    }

    /** The name in the file's `bank:` line, after reading. */
    public function bank(): ?string
    {
        return $this->bank;
    }

    /** What the file sets for the bank itself, as far as it was read. */
    public function bankSettings(): BankSettings
    {
        return new BankSettings(
            $this->bankSettings[''] ?? Settings::none(),
            array_diff_key($this->bankSettings, ['' => true]),
            $this->bankWording[''] ?? [],
            array_diff_key($this->bankWording, ['' => true]),
        );
    }

    /** @return list<Page> after reading */
    public function pages(): array
    {
        return $this->pages;
    }

    /** @return list<Problem> problems that belong to no question, after reading */
    public function outside(): array
    {
        return $this->outside;
    }

    private function opensNext(Line $line): bool
    {
        return in_array($line->word, [...Vocabulary::opening(), 'bank', 'bank settings', 'objective', 'every', 'page'], true);
    }

    /** @return \Generator<int, Found> */
    private function finished(): \Generator
    {
        if ($this->opening === null) {
            return;
        }
        $question = $this->assembler->question(
            $this->opening,
            $this->parts,
            $this->defaults,
            $this->objective,
            $this->names,
            $this->problems,
        );
        if ($question?->name !== null) {
            $this->names[$question->name] = true;
        }
        $problems = $this->problems->all();
        $read = new Found($this->opening->line, $this->lastLine, $problems === [] ? $question : null, $problems, isKindSaid: true);
        $this->opening = null;
        yield $read;
    }

    private function take(Line $line): void
    {
        if (in_array($line->word, Vocabulary::opening(), true)) {
            $this->opening = $line;
            $this->parts = [];
            $this->problems = new Problems();
            $this->every = null;

            return;
        }
        match ($line->word) {
            'bank' => ([$this->bank, $this->every] = [$line->text, null]),
            'objective' => $this->setObjective($line),
            'every' => ([$this->every, $this->ofBank] = [$line->argument('what'), false]),
            'bank settings' => ([$this->every, $this->ofBank] = [$line->argument('what') ?? 'question', true]),
            'page' => $this->openPage($line),
            default => $this->opening !== null ? $this->takePart($line) : $this->takeOutside($line),
        };
    }

    private function setObjective(Line $line): void
    {
        $path = array_map(trim(...), explode('>', $line->text));
        $this->every = null;
        if (in_array('', $path, true) && $line->text !== '') {
            $this->outside[] = new Problem(
                $line->line,
                $line->textColumn,
                'a name is missing beside “>”; “Hive inspection > Reading a frame” would be right',
            );

            return;
        }
        $this->objective = $line->text === '' ? [] : $path;
    }

    private function openPage(Line $line): void
    {
        $this->every = null;
        $this->page = $line;
        $this->pageLines = [];
        if ($line->text === '' || array_filter($this->pages, static fn (Page $p): bool => $p->name === $line->text) !== []) {
            $this->outside[] = new Problem($line->line, $line->textColumn, 'a page has a name of its own: `page: why eggs matter`');
        }
    }

    private function closePage(): void
    {
        if ($this->page === null) {
            return;
        }
        if (!isset($this->pageLines['reads'])) {
            $this->outside[] = new Problem($this->page->line, $this->page->column, 'this page has no text; write `reads:` below it');
        } else {
            $this->pages[] = new Page($this->page->text, $this->pageLines['heading']->text ?? null, $this->pageLines['reads']->text);
        }
        $this->page = null;
    }

    private function takePart(Line $line): void
    {
        $last = $this->parts === [] ? '' : $this->parts[count($this->parts) - 1]->word;
        // `name:` belongs to an area or spot just above, else to the question.
        $owners =
            $line->word === 'name' && in_array($last, ['area', 'spot'], true) ? ['area', 'spot'] : Vocabulary::BELOW[$line->word] ?? null;
        if ($owners === null || $this->isOfQuestion($line->word)) {
            $this->parts[] = $line;

            return;
        }
        $above = array_pop($this->parts);
        if ($above === null || !in_array($above->word, $owners, true)) {
            $this->problems->at(
                $line,
                sprintf(
                    '`%s:` stands below a line of %s',
                    $line->word,
                    implode(', ', array_map(static fn (string $w): string => "`$w:`", $owners)),
                ),
            );
            $this->parts = $above === null ? $this->parts : [...$this->parts, $above];

            return;
        }
        $this->parts[] = $above->withBelow([...$above->below, $line]);
    }

    /** A word that hangs on a line in some kinds may stand for the whole question in another. */
    private function isOfQuestion(string $word): bool
    {
        return in_array(
            $word,
            KindId::openedBy($this->opening->word ?? '')
                ?->facts()
                ->topWords() ?? [],
            true,
        );
    }

    private function takeOutside(Line $line): void
    {
        if ($this->page !== null && in_array($line->word, ['heading', 'reads'], true) && !isset($this->pageLines[$line->word])) {
            $this->pageLines[$line->word] = $line;

            return;
        }
        if ($this->page !== null) {
            $this->outside[] = new Problem(
                $line->line,
                $line->column,
                sprintf('`%s:` does not belong to a page; `heading:` and `reads:` do, once each', $line->word),
            );

            return;
        }
        if ($this->every === null) {
            $this->outside[] = new Problem(
                $line->line,
                $line->column,
                sprintf('`%s:` belongs to a question; none is open here', $line->word),
            );

            return;
        }
        try {
            if ($this->ofBank) {
                $this->setForBank($this->every === 'question' ? '' : $this->every, $line);
            } else {
                $this->defaults->set($this->every === 'question' ? null : KindId::tryFrom($this->every) ?? $this->every, $line);
            }
        } catch (ToldToPeople $e) {
            $this->outside[] = new Problem($line->line, $line->textColumn, $e->getMessage());
        }
    }

    /** @throws InvalidSetting */
    private function setForBank(string $kind, Line $line): void
    {
        $outcome = Outcome::tryFrom($line->argument('outcome') ?? '');
        if ($line->word === 'if' && $outcome !== null && !$line->has('last') && !$line->has('attempt')) {
            if ($kind !== '' && !KindId::from($kind)->facts()->canBe($outcome)) {
                throw new InvalidSetting(sprintf('a question of kind %s is never “%s”', $kind, $outcome->value));
            }
            $this->bankWording[$kind][$outcome->value] = $line->text;

            return;
        }
        $setting =
            Setting::tryFrom($line->word) ??
            throw new InvalidSetting(
                sprintf('`%s:` is no setting; under “bank settings” stand settings, and what is said after an outcome', $line->word),
            );
        $value = $setting->canonical($line->text);
        if ($kind !== '' && !Question::kindTakes(KindId::from($kind), $setting, $value)) {
            throw new InvalidSetting(sprintf('“%s: %s” has no meaning for a question of kind %s', $line->word, $value, $kind));
        }
        $this->bankSettings[$kind] = ($this->bankSettings[$kind] ?? Settings::none())->with($setting, $value);
    }
}
