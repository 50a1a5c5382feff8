<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Settings;

/** What the words of a question's settings mean, in a sentence (marking.md): told where they stand. */
final class Meanings
{
    public const ALL = [
        'whole' => 'All or nothing: everything is right and nothing wrong was given, or it earns nothing.',
        'parts' => 'Each right part earns its share of the points; wrong parts can cost some of it.',
        'parts by place' => 'Each item that stands in its own place earns its share of the points.',
        'parts by neighbour' => 'Each item that rightly follows the one before it earns its share of the points.',
        'each' => 'Each answer counts alike: rightly chosen, or rightly left alone.',
        'weighed' => 'Each answer or part has its own points, and what was given is added up.',
        'floor' => 'The least that this question can come to, whatever wrong answers cost; without one it can go below zero.',
        'stands' => 'Of several attempts one counts: the last, or the one that earned most.',
        'last' => 'The last attempt counts, also where an earlier one earned more.',
        'best' => 'The attempt that earned most counts.',
        'pinned' => 'It stays in this place when the answers are mixed.',
        'free' => 'It can stand anywhere when the answers are mixed.',
    ];
}
