<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Archive;

use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Exchange\TextFormat\Page;
use Zetema\Core\Exchange\Zip\RefusedZip;
use Zetema\Core\Exchange\Zip\SafeZip;
use Zetema\Core\Question\Settings\BankSettings;

/** An archive of a bank that is opened: what its head says, and its questions one after another. */
final readonly class Archive
{
    private Fields $head;
    public string $bank;
    public BankSettings $settings;

    /** @throws RefusedZip|Malformed */
    public function __construct(private SafeZip $zip)
    {
        $this->head = $this->json(ArchiveFormat::HEAD);
        if ($this->head->integer('archive') !== ArchiveFormat::VERSION) {
            throw new Malformed(
                'archive',
                sprintf('is of version %d; version %d is read', $this->head->integer('archive'), ArchiveFormat::VERSION),
            );
        }
        $this->bank = $this->head->text('bank');
        $this->settings = BankSettings::fromData($this->head->optionalObject('settings') ?? Fields::of([]));
    }

    public static function isOne(SafeZip $zip): bool
    {
        return $zip->has(ArchiveFormat::HEAD);
    }

    public function count(): int
    {
        return $this->head->integer('questions');
    }

    /** @return list<Fields> */
    public function objectives(): array
    {
        return $this->head->objects('objectives', optional: true);
    }

    /** @return list<Page> */
    public function pages(): array
    {
        return array_map(
            static fn (Fields $page): Page => new Page($page->text('name'), $page->optionalText('heading'), $page->text('reads')),
            $this->head->objects('pages', optional: true),
        );
    }

    /** @return list<Fields> */
    public function pools(): array
    {
        return $this->head->objects('pools', optional: true);
    }

    /** @return list<array{int, int}> numbers of questions that never meet in a form */
    public function apart(): array
    {
        $pairs = [];
        foreach ($this->head->items('apart', optional: true) as $pair) {
            if (!is_array($pair) || !is_int($pair[0] ?? null) || !is_int($pair[1] ?? null)) {
                throw new Malformed('apart', 'has pairs of numbers of questions');
            }
            $pairs[] = [$pair[0], $pair[1]];
        }

        return $pairs;
    }

    /** @return list<Fields> */
    public function blueprints(): array
    {
        return $this->head->objects('blueprints', optional: true);
    }

    /**
     * @return \Generator<int, Fields> by their place in the archive, from 1
     *
     * @throws RefusedZip|Malformed
     */
    public function questions(): \Generator
    {
        $number = 0;
        for ($piece = 1; $number < $this->count(); ++$piece) {
            $file = ArchiveFormat::questions($piece);
            if (!$this->zip->has($file)) {
                throw new Malformed('questions', sprintf('“%s” is missing: there should be %d questions', $file, $this->count()));
            }
            $questions = $this->json($file)->objects('questions');
            if ($questions === []) {
                throw new Malformed('questions', sprintf('“%s” holds none', $file));
            }
            foreach ($questions as $question) {
                yield ++$number => $question;
            }
        }
    }

    /** @return list<string> */
    public function media(): array
    {
        $files = array_filter($this->zip->names(), static fn (string $name): bool => str_starts_with($name, ArchiveFormat::MEDIA));

        return array_values(array_map(static fn (string $name): string => substr($name, strlen(ArchiveFormat::MEDIA)), $files));
    }

    /** @throws RefusedZip */
    public function medium(string $name): string
    {
        return $this->zip->contents(ArchiveFormat::MEDIA . $name);
    }

    /** @throws RefusedZip|Malformed */
    private function json(string $file): Fields
    {
        try {
            return Fields::ofJson($this->zip->contents($file));
        } catch (Malformed $e) {
            throw new Malformed($file, $e->getMessage());
        }
    }
}
