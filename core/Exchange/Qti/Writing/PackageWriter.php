<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Qti\Writing;

use Zetema\Core\Exchange\Qti\Items\ItemReader;
use Zetema\Core\Exchange\Qti\Unmatched;
use Zetema\Core\Question\Question;
use Zetema\Core\Question\Settings\EffectiveSettings;

/**
 * Writes questions, with their pictures and the assessment that asks them, as the files of a package. The same comes out the same, to the
 * byte.
 */
final class PackageWriter
{
    /** @var array<string, string> contents by path */
    public array $files = [];
    /** @var list<Unmatched> what the standard cannot say */
    public array $unmatched = [];
    /** @var list<string> names of pictures that are not there */
    public array $missing = [];

    /** @var array<string, string> identifiers by the names of the questions */
    private array $identifiers = [];
    /** @var array<string, string> resources of pictures, by their paths */
    private array $pictures = [];
    /** @var array<string, true> pictures that the item at hand mentions, by their paths */
    private array $mentioned = [];

    /** @param \Closure(string): ?string $contents of a picture, by its name in the texts */
    public function __construct(
        private readonly Version $version,
        private readonly \Closure $contents,
        private readonly ?KindWriters $kinds = null,
    ) {
    }

    /**
     * @param array<array-key, array{Question, EffectiveSettings}> $questions by name, in their order
     * @param list<Unmatched> $lost of the assessment
     * @param callable(): mixed|null $beat called at each question: the rules of some are run for very many responses
     */
    public function write(array $questions, ?WrittenTest $test, array $lost = [], ?callable $beat = null): void
    {
        $resources = [];
        $kinds = $this->kinds ?? KindWriters::all();
        foreach ($questions as $name => [$question, $settings]) {
            if ($kinds->of($question) !== null) {
                $resources[] = $this->item((string) $name, $question, $settings, $kinds);
            } else {
                $this->unmatched[] = new Unmatched(
                    $question->name ?? (string) $name,
                    sprintf('the kind “%s”', $question->kind::id()->value),
                    1,
                    'items',
                );
            }
            if ($beat !== null) {
                $beat();
            }
        }
        if ($test !== null) {
            $this->mentioned = [];
            $this->files['tests/assessment.xml'] = (new TestWriter($test, $this->identifiers, $this->version, $this->path(...)))
                ->test()
                ->document($this->version);
            // What could not be written is asked nowhere.
            $asked = array_filter(
                array_unique(
                    array_merge(...array_map(static fn (WrittenSection $s): array => array_column($s->items, 'name'), $test->leaves())),
                ),
                fn (string $name): bool => isset($this->identifiers[$name]),
            );
            $shown = array_map(fn (string $path): string => $this->pictures[$path], array_keys($this->mentioned));
            $resources[] = $this->resource('TEST', $this->version->type('test'), 'tests/assessment.xml', [
                ...array_map(fn (string $n): string => 'RES-' . $this->identifiers[$n], array_values($asked)),
                ...$shown,
            ]);
        }
        foreach ($this->pictures as $path => $identifier) {
            $resources[] = $this->resource($identifier, 'webcontent', $path, []);
        }
        $this->unmatched = [...$this->unmatched, ...$lost];
        $manifest = Tag::of(
            'manifest',
            ['xmlns' => 'http://www.imsglobal.org/xsd/imscp_v1p1', 'identifier' => 'PACKAGE'],
            Tag::of('organizations'),
            Tag::of('resources', [], ...$resources),
        );
        // Its names are its own in every version.
        $this->files = ['imsmanifest.xml' => $manifest->document(Version::V21)] + $this->files;
    }

    private function item(string $name, Question $question, EffectiveSettings $settings, KindWriters $kinds): Tag
    {
        $identifier = $this->identifiers[$name] = $this->freeIdentifier(
            $question->name === null ? 'q-' . ltrim($name, 'q') : ItemReader::identifierOf($question->name),
        );
        $this->mentioned = [];
        $writer = new ItemWriter($this->version, $this->path(...), $kinds);
        $this->files["items/$identifier.xml"] = $writer
            ->item($question, $identifier, $question->name ?? $identifier, $settings)
            ->document($this->version);
        foreach ($writer->pictures as $file => $drawing) {
            $this->files["pictures/$file"] = $drawing;
        }
        $this->missing = array_values(array_diff($this->missing, array_keys($writer->pictures)));
        foreach (Losses::of($question, $settings) as $what) {
            $this->unmatched[] = new Unmatched($question->name ?? $name, $what, 1, "items/$identifier.xml");
        }
        $depends = array_map(fn (string $path): string => $this->pictures[$path], array_keys($this->mentioned));

        return $this->resource(
            'RES-' . $identifier,
            $this->version->type('item'),
            "items/$identifier.xml",
            $depends,
            self::metadata($question),
        );
    }

    private function freeIdentifier(string $identifier): string
    {
        $free = $identifier;
        for ($n = 2; in_array($free, $this->identifiers, true); ++$n) {
            $free = "$identifier-$n";
        }

        return $free;
    }

    /** Where a picture is, from an item's folder. */
    private function path(string $file): string
    {
        $path = 'pictures/' . preg_replace('#^(?:\./)?pictures/#', '', $file);
        if (!isset($this->pictures[$path])) {
            $this->pictures[$path] = 'PIC-' . (count($this->pictures) + 1);
            $contents = ($this->contents)($file);
            if ($contents === null) {
                $this->missing[] = $file;
            } else {
                $this->files[$path] = $contents;
            }
        }
        $this->mentioned[$path] = true;

        return "../$path";
    }

    /** @param list<string> $depends */
    private function resource(string $identifier, string $type, string $path, array $depends, ?Tag $metadata = null): Tag
    {
        $href = implode('/', array_map(rawurlencode(...), explode('/', $path)));

        return Tag::of(
            'resource',
            ['identifier' => $identifier, 'type' => $type, 'href' => $href],
            ...$metadata === null ? [] : [$metadata],
            ...[Tag::of('file', ['href' => $href])],
            ...array_map(static fn (string $d): Tag => Tag::of('dependency', ['identifierref' => $d]), $depends),
        );
    }

    private static function metadata(Question $question): ?Tag
    {
        $words = static fn (string $name, string $text): Tag => Tag::of($name, [], Tag::of('string', ['language' => 'en'], $text));
        $parts = [
            ...$question->tags === []
                ? []
                : [Tag::of('general', [], ...array_map(static fn (string $tag): Tag => $words('keyword', $tag), $question->tags))],
            ...$question->difficulty === null
                ? []
                : [
                    Tag::of(
                        'educational',
                        [],
                        Tag::of(
                            'difficulty',
                            [],
                            Tag::of(
                                'value',
                                [],
                                ['easy' => 'easy', 'medium' => 'medium', 'hard' => 'difficult'][$question->difficulty->value],
                            ),
                        ),
                    ),
                ],
            ...$question->objective === []
                ? []
                : [
                    Tag::of(
                        'classification',
                        [],
                        Tag::of('purpose', [], Tag::of('value', [], 'educational objective')),
                        Tag::of(
                            'taxonPath',
                            [],
                            ...array_map(static fn (string $o): Tag => Tag::of('taxon', [], $words('entry', $o)), $question->objective),
                        ),
                    ),
                ],
        ];

        return $parts === [] ? null : Tag::of('metadata', [], Tag::of('lom', ['xmlns' => 'http://ltsc.ieee.org/xsd/LOM'], ...$parts));
    }
}
