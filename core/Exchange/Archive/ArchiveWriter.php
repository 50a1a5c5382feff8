<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Archive;

use Zetema\Core\Exchange\TextFormat\Page;
use Zetema\Core\Question\Mentions;
use Zetema\Core\Question\Question;
use Zetema\Core\Question\Settings\BankSettings;

/** Questions and pages of a text as an archive. What only a bank has, such as pools and blueprints, is empty in it. */
final class ArchiveWriter
{
    /**
     * @param iterable<Question> $questions
     * @param \Closure(): array{string, BankSettings, list<Page>} $about the bank's name, what it sets, its pages: asked after the questions
     * @param \Closure(string): ?string $medium contents of a file, by its name
     *
     * @return \Generator<string, string> contents by path
     */
    public static function files(iterable $questions, \Closure $about, \Closure $medium): \Generator
    {
        $waiting = $objectives = [];
        $mentions = new Mentions();
        $count = $piece = 0;
        foreach ($questions as $question) {
            $data = $question->toData();
            $waiting[] = [
                'number' => ++$count,
                'name' => $question->name,
                'objective' => $question->objective,
                'status' => $question->status->value,
                'content' => $data,
            ];
            if ($question->objective !== []) {
                $objectives[implode("\n", $question->objective)] = ['path' => $question->objective];
            }
            $mentions->inQuestion($data);
            if (count($waiting) === ArchiveFormat::PIECE) {
                yield ArchiveFormat::questions(++$piece) => self::json(['questions' => $waiting]);
                $waiting = [];
            }
        }
        if ($waiting !== []) {
            yield ArchiveFormat::questions(++$piece) => self::json(['questions' => $waiting]);
        }
        [$bank, $settings, $pages] = $about();
        $mentions->inTexts(...array_map(static fn (Page $page): string => $page->reads, $pages));
        $files = array_filter(
            array_combine($mentions->files(), array_map($medium, $mentions->files())),
            static fn (?string $contents): bool => $contents !== null,
        );
        yield ArchiveFormat::HEAD => self::json([
            'archive' => ArchiveFormat::VERSION,
            'bank' => $bank,
            'settings' => self::objects($settings->toData()),
            'objectives' => array_values($objectives),
            'pages' => array_map(
                static fn (Page $page): array => ['name' => $page->name, 'heading' => $page->heading, 'reads' => $page->reads],
                $pages,
            ),
            'questions' => $count,
            'media' => array_map(strval(...), array_keys($files)),
        ]);
        yield ArchiveFormat::SCHEMA => self::json(ArchiveFormat::schema(), JSON_PRETTY_PRINT);
        foreach ($files as $name => $contents) {
            yield ArchiveFormat::MEDIA . $name => $contents;
        }
    }

    /**
     * Empty maps as objects, not as lists.
     *
     * @param array<string, mixed> $parts
     *
     * @return array<string, mixed>
     */
    public static function objects(array $parts): array
    {
        return array_map(static fn (mixed $part): mixed => is_array($part) ? (object) $part : $part, $parts);
    }

    /** @param array<array-key, mixed> $data */
    public static function json(array $data, int $more = 0): string
    {
        return json_encode($data, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | $more) . "\n";
    }
}
