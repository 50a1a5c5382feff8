<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Archive;

/** What files an archive of a bank has, and what stands in them: docs/formats/archive.md. */
final class ArchiveFormat
{
    public const VERSION = 1;
    public const HEAD = 'archive.json';
    public const SCHEMA = 'schema.json';
    public const MEDIA = 'media/';
    /** Questions in one file. */
    public const PIECE = 250;

    public static function questions(int $piece): string
    {
        return sprintf('questions/%04d.json', $piece);
    }

    /** @return array<string, mixed> the JSON Schema that goes with every archive: of archive.json, and under $defs of one question */
    public static function schema(): array
    {
        $object = static fn (array $properties, array $required): array => [
            'type' => 'object',
            'additionalProperties' => false,
            'required' => $required,
            'properties' => $properties,
        ];
        $list = static fn (array $of): array => ['type' => 'array', 'items' => $of];
        $text = ['type' => 'string'];
        $path = [...$list($text), 'description' => 'names from the top'];
        $maybe = static fn (array $type): array => ['oneOf' => [['type' => 'null'], $type]];
        $question = $object(
            [
                'number' => ['type' => 'integer', 'minimum' => 1, 'description' => 'what pools and blueprints call it: the 12th is q12'],
                'name' => $maybe($text),
                'objective' => $path,
                'status' => ['enum' => ['draft', 'in review', 'cleared', 'retired']],
                'content' => ['type' => 'object', 'description' => 'its newest text, as docs/formats/question.md has it'],
                'dealt' => $maybe(['type' => 'object', 'description' => 'the text that is dealt, where it is another']),
                'pattern' => ['type' => 'boolean'],
                'note' => $text,
            ],
            ['number', 'name', 'objective', 'status', 'content'],
        );

        return [
            '$schema' => 'https://json-schema.org/draft/2020-12/schema',
            'title' => 'An archive of a bank of questions',
            ...$object(
                [
                    'archive' => ['const' => self::VERSION],
                    'bank' => $text,
                    'settings' => ['type' => 'object'],
                    'objectives' => $list(
                        $object(['path' => $path, 'code' => $text, 'description' => $text, 'kept' => ['type' => 'boolean']], ['path']),
                    ),
                    'pages' => $list($object(['name' => $text, 'heading' => $maybe($text), 'reads' => $text], ['name', 'reads'])),
                    'pools' => $list(
                        $object(
                            ['name' => $text, 'filter' => $maybe(['type' => 'object']), 'questions' => $list(['type' => 'integer'])],
                            ['name', 'filter'],
                        ),
                    ),
                    'apart' => [
                        ...$list([...$list(['type' => 'integer']), 'minItems' => 2, 'maxItems' => 2]),
                        'description' => 'pairs of questions that never meet in a form',
                    ],
                    'blueprints' => $list(['type' => 'object']),
                    'questions' => [
                        'type' => 'integer',
                        'minimum' => 0,
                        'description' => sprintf(
                            'how many there are; they stand in questions/0001.json and so on, up to %d in each',
                            self::PIECE,
                        ),
                    ],
                    'media' => [...$list($text), 'description' => 'names of the files in media/'],
                ],
                ['archive', 'bank', 'questions'],
            ),
            '$defs' => ['question' => $question],
        ];
    }
}
