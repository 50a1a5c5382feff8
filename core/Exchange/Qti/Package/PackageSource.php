<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Qti\Package;

use Zetema\Core\Exchange\Found;
use Zetema\Core\Exchange\Qti\Items\ItemReader;
use Zetema\Core\Exchange\Qti\Items\ReadItem;
use Zetema\Core\Exchange\Qti\Listing;
use Zetema\Core\Exchange\Qti\PackageFiles;
use Zetema\Core\Exchange\Qti\QtiSource;
use Zetema\Core\Exchange\Qti\Tests\Assessment;
use Zetema\Core\Exchange\Qti\Tests\TestReader;
use Zetema\Core\Exchange\Qti\Texts\Paths;
use Zetema\Core\Exchange\Qti\Unmatched;
use Zetema\Core\Exchange\Qti\Xml\Element;
use Zetema\Core\Exchange\Qti\Xml\RefusedXml;
use Zetema\Core\Exchange\Report;
use Zetema\Core\Exchange\Source;
use Zetema\Core\Exchange\TextFormat\Page;
use Zetema\Core\Exchange\Zip\RefusedZip;
use Zetema\Core\Exchange\Zip\SafeZip;
use Zetema\Core\Marking\Plan\MarkingPlan;
use Zetema\Core\Numbers\Ratio;
use Zetema\Core\Question\Problem;

/** A zipped package: its items in the order of its manifest. */
final class PackageSource implements Source
{
    /** @var list<Problem> */
    private array $problems = [];
    /** @var list<Page> */
    private array $pages = [];
    /** @var list<Unmatched> */
    private array $unmatched = [];
    /** @var list<Assessment> */
    private array $assessments = [];
    /** @var list<TestReader> */
    private array $tests = [];
    /** @var array<string, array<string, string>> what all tests say of an item where it is asked, by its path */
    private array $agreed = [];
    /** @var array<string, array{string, Ratio}> names and worths of questions, by the paths of their items */
    private array $items = [];
    /** @var array<string, true> */
    private array $names = [];
    /** @var array<string, true> */
    private array $identifiers = [];

    /** @param \Closure(): PackageFiles $open may refuse the zip */
    public function __construct(private readonly \Closure $open)
    {
    }

    public static function ofZip(string $path): self
    {
        return new self(static fn (): PackageFiles => new ZipFiles(SafeZip::open($path)));
    }

    public function questions(): \Generator
    {
        try {
            $files = ($this->open)();
            $manifest = new Manifest($files);
            $this->tests($manifest, $files);
            foreach ($manifest->resources as $resource) {
                if ($resource->isOfTheStandard() && $resource->path !== null) {
                    yield from $this->resource($resource, $resource->path, $files);
                }
            }
            $this->assessments();
            $this->take($manifest->listing);
            foreach ($manifest->unnamed() as $path) {
                $this->unmatched[] = new Unmatched($path, $path, 1, $path);
            }
        } catch (RefusedZip $e) {
            $this->problems[] = new Problem(1, 1, $e->getMessage());
        } catch (RefusedXml $e) {
            $this->problems[] = new Problem($e->atLine, 1, $e->getMessage(), file: Manifest::NAME);
        }
    }

    /**
     * @return \Generator<int, Found>
     *
     * @throws RefusedZip
     */
    private function resource(Resource $resource, string $path, PackageFiles $files): \Generator
    {
        if (str_contains(strtolower($resource->type), '_test_')) {
            return;
        }
        try {
            $root = QtiSource::root($files->contents($path) ?? '');
        } catch (RefusedXml $e) {
            $this->problems[] = new Problem($e->atLine, 1, $e->getMessage(), file: $path);

            return;
        }
        if ($root->name !== 'assessmentItem') {
            return;
        }
        $listing = new Listing($root->attribute('identifier') ?? '', $path);
        $read = ItemReader::read($root, $path, self::folder($path), $files, $this->stimuli($root, $path, $files, $listing));
        $this->take($listing);
        $read = $this->once($read, $root);
        foreach ($this->agreed[$path] ?? [] as $word => $value) {
            $read->lines?->add($word, $value);
        }
        $found = $this->found($read, $resource);
        if ($found?->question?->name !== null) {
            $this->items[$path] = [
                $found->question->name,
                MarkingPlan::of($found->question, $found->question->effective())->max()->exact(),
            ];
        }
        array_push($this->unmatched, ...$read->listing->allUnmatched());
        if ($found !== null) {
            yield $found;
        }
    }

    /**
     * Tests are read first: what they say of items where those are asked may be the questions' own.
     *
     * @throws RefusedZip
     */
    private function tests(Manifest $manifest, PackageFiles $files): void
    {
        $said = [];
        foreach ($manifest->resources as $resource) {
            if (!$resource->isOfTheStandard() || $resource->path === null || !str_contains(strtolower($resource->type), '_test_')) {
                continue;
            }
            try {
                $root = QtiSource::root($files->contents($resource->path) ?? '');
                if ($root->name === 'assessmentTest') {
                    $this->tests[] = $test = new TestReader($root, $resource->path, self::folder($resource->path), $files);
                    foreach ($test->controls() as $path => $controls) {
                        $said[$path] = [...$said[$path] ?? [], ...$controls];
                    }
                }
            } catch (RefusedXml $e) {
                $this->problems[] = new Problem($e->atLine, 1, $e->getMessage(), file: $resource->path);
            }
        }
        $this->agreed = array_map(
            static fn (array $all): array => $all[0],
            array_filter($said, static fn (array $all): bool => count(array_unique($all, SORT_REGULAR)) === 1),
        );
    }

    private function assessments(): void
    {
        foreach ($this->tests as $test) {
            $this->assessments[] = $test->assessment($this->items, array_map(static fn (): bool => true, $this->agreed));
            array_push($this->pages, ...$test->pages);
            $this->take($test->listing);
        }
    }

    private static function folder(string $path): string
    {
        return dirname($path) === '.' ? '' : dirname($path);
    }

    /** Of two items with one identifier the second gets another name. */
    private function once(ReadItem $read, Element $root): ReadItem
    {
        if (!isset($this->identifiers[$read->identifier])) {
            $this->identifiers[$read->identifier] = true;

            return $read;
        }
        $read->listing->problem($root, sprintf('identifier: “%s” is that of an earlier item', $read->identifier));
        $name = $read->name . '-2';
        $read->lines?->put('name', $name);

        return new ReadItem(
            $read->identifier,
            $name,
            $read->line,
            $read->listing,
            $read->lines,
            $read->page === null ? null : new Page($name, $read->page->heading, $read->page->reads),
            $read->isBroken,
        );
    }

    private function found(ReadItem $read, Resource $resource): ?Found
    {
        if ($read->page !== null) {
            $this->pages[] = $read->page;
        }
        if ($resource->tags !== []) {
            $read->lines?->add('tags', implode(', ', $resource->tags));
        }
        if ($resource->difficulty !== null) {
            $read->lines?->add('difficulty', $resource->difficulty);
        }
        $found = QtiSource::found($read, $this->names, $resource->objective);
        if ($found === null) {
            array_push($this->problems, ...QtiSource::problemsOf($read));
        } elseif ($found->question?->name !== null) {
            $this->names[$found->question->name] = true;
        }

        return $found;
    }

    /**
     * Texts in front of the stem that several items may share.
     *
     * @return list<Element>
     *
     * @throws RefusedZip
     */
    private function stimuli(Element $item, string $path, PackageFiles $files, Listing $listing): array
    {
        $stimuli = [];
        foreach ($item->children('assessmentStimulusRef') as $reference) {
            $reference->takeWhole();
            $href = $reference->attribute('href') ?? '';
            $at = Paths::hasScheme($href) ? null : Paths::resolved($href, self::folder($path));
            try {
                $root = $at === null ? null : QtiSource::root($files->contents($at) ?? throw new RefusedXml('is not in the package'));
                $body = $root?->child('stimulusBody');
                if ($body !== null) {
                    $stimuli[] = $body;
                }
            } catch (RefusedXml $e) {
                $listing->problem($reference, sprintf('%s: “%s” %s', $reference->written, $href, $e->getMessage()));
            }
        }

        return $stimuli;
    }

    private function take(Listing $listing): void
    {
        array_push($this->unmatched, ...$listing->allUnmatched());
        foreach ($listing->allProblems() as $problem) {
            $this->problems[] = new Problem($problem->line, $problem->column, $problem->message, file: $listing->file);
        }
    }

    public function report(): Report
    {
        return new Report($this->problems, $this->pages, unmatched: $this->unmatched, assessments: $this->assessments);
    }
}
