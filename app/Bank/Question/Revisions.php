<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Question;

use SebastianBergmann\Diff\Differ;
use SebastianBergmann\Diff\Output\UnifiedDiffOutputBuilder;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;
use Zetema\Core\Exchange\TextFormat\Writer;

/** What changed from one revision to the next, as lines of the text format, which reads aloud. */
final readonly class Revisions
{
    private const KEPT = 0;
    private const ADDED = 1;

    public static function numbered(Question $question, int $number): Revision
    {
        foreach ($question->revisions() as $revision) {
            if ($revision->number === $number) {
                return $revision;
            }
        }
        throw new NotFoundHttpException();
    }

    /** @return array{number: int, against: int|null, lines: list<array{text: string, change: string}>} */
    public static function difference(Revision $revision): array
    {
        $before = null;
        foreach ($revision->question->revisions() as $older) {
            if ($older->number < $revision->number) {
                $before = $older;
                break;
            }
        }
        $differ = new Differ(new UnifiedDiffOutputBuilder());
        $lines = [];
        foreach ($differ->diffToArray($before === null ? [] : self::text($before), self::text($revision)) as $entry) {
            if (is_array($entry) && is_string($entry[0] ?? null) && is_int($entry[1] ?? null)) {
                $lines[] = [
                    'text' => $entry[0],
                    'change' => $entry[1] === self::KEPT ? 'kept' : ($entry[1] === self::ADDED ? 'added' : 'taken out'),
                ];
            }
        }

        return ['number' => $revision->number, 'against' => $before?->number, 'lines' => $lines];
    }

    /** @return list<string> */
    public static function text(Revision $revision): array
    {
        if ($revision->isWhole()) {
            return explode("\n", trim((new Writer())->question($revision->question())));
        }
        $lines = ['(not whole yet: ' . ($revision->problem()['message'] ?? '') . ')'];
        foreach ($revision->content() as $field => $value) {
            if (is_string($value)) {
                $lines[] = $field . ': ' . $value;
            } elseif (is_array($value)) {
                foreach ($value as $key => $entry) {
                    $lines[] =
                        '  ' .
                        $field .
                        ' ' .
                        (is_int($key) ? $key + 1 : $key) .
                        ': ' .
                        (is_string($entry) ? $entry : implode(' · ', array_filter(is_array($entry) ? $entry : [], is_string(...))));
                }
            }
        }

        return $lines;
    }
}
