<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Question\Listing;

use Doctrine\DBAL\Connection;
use Zetema\App\Bank\Question\Question;
use Zetema\App\Shared\Dialect\Dialects;
use Zetema\App\Shared\Dialect\Words;
use Zetema\App\Shared\PreparedStatements;
use Zetema\Core\Question\Texts\QuestionText;
use Zetema\Core\Question\Texts\QuestionTexts;

/**
 * The words of all questions' newest revisions. How the database searches texts is its dialect's.
 * Words are found by their beginnings, whatever their accents and capitals; beginnings of up to five
 * letters are indexed themselves, since what stands in every question would else be gathered anew by each search.
 */
final readonly class SearchIndex
{
    /** Characters of what is looked for, and words of it. */
    private const LONGEST = 200;
    private const MOST_WORDS = 12;

    private Words $words;

    public function __construct(private Connection $db, private PreparedStatements $statements)
    {
        $this->words = Dialects::of($db)->words();
    }

    public function write(Question $question): void
    {
        $this->put($question->id, $question->bank->id, $question->name(), $question->newest()->content());
    }

    /** @param array<string, mixed> $content */
    public function put(int $id, int $bank, ?string $name, array $content): void
    {
        $this->forget($id);
        $this->statements->run($this->words->put(), [$id, 'b' . $bank, $name . "\n" . implode("\n", self::texts($content))]);
    }

    /**
     * The words of some of a bank's questions for their copies.
     *
     * @param int $far the distance from a question's id to that of its copy
     * @param int $after the question before the first
     * @param int $last the last question
     */
    public function copy(int $from, int $to, int $far, int $after, int $last): void
    {
        $this->db->executeStatement($this->words->copy(), [$far, 'b' . $to, $from, $after, $last]);
    }

    public function forget(int $id): void
    {
        $this->statements->run($this->words->forget(), [$id]);
    }

    /** Takes out what is no question any more, after many were removed at once. */
    public function forgetRemoved(): void
    {
        $this->db->executeStatement($this->words->forgetRemoved());
    }

    /**
     * What is typed into the search field as a query of the index: all words must be there, each at least with its beginning; what
     * stands in quotation marks must stand so.
     *
     * @return string|null null if it has no words
     */
    public static function query(int $bank, string $typed): ?string
    {
        // A search has a bound, whatever is pasted: each word once, and no more than anybody types.
        preg_match_all('/["“”„]([^"“”„]+)["“”„]?|[^\s"“”„]+/u', mb_substr($typed, 0, self::LONGEST), $parts, PREG_SET_ORDER);
        $terms = [];
        foreach ($parts as $part) {
            $words = trim(preg_replace('/[^\p{L}\p{N}\p{M}]+/u', ' ', $part[1] ?? $part[0]) ?? '');
            if ($words !== '') {
                $terms[] = '"' . mb_strtolower($words) . '"' . (isset($part[1]) ? '' : '*');
            }
        }

        $terms = array_slice(array_values(array_unique($terms)), 0, self::MOST_WORDS);

        return $terms === [] ? null : 'bank : b' . $bank . ' AND body : (' . implode(' AND ', $terms) . ')';
    }

    /**
     * All of the author's texts, and the tags.
     *
     * @param array<array-key, mixed> $content
     *
     * @return list<string>
     */
    private static function texts(array $content): array
    {
        $tags = is_array($content['tags'] ?? null) ? array_filter($content['tags'], is_string(...)) : [];

        return [...array_map(static fn (QuestionText $text): string => $text->text, QuestionTexts::of($content)), ...array_values($tags)];
    }
}
