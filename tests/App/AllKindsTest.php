<?php

declare(strict_types=1);

namespace Zetema\Tests\App;

use PHPUnit\Framework\Attributes\DataProvider;
use Zetema\Core\Data\Fields;

/** A paper with a question of each kind that is not typed or chosen from a list, sat through the API as a candidate's page does it. */
final class AllKindsTest extends ApiTestCase
{
    /** @return iterable<string, array{int}> */
    public static function seeds(): iterable
    {
        foreach (range(1, 8) as $seed) {
            yield "form $seed" => [$seed];
        }
    }

    #[DataProvider('seeds')]
    public function test_who_answers_by_the_key_gets_every_point(int $seed): void
    {
        $this->logIn('orrell');
        $sitting = $this->send('POST', '/api/blueprints/3/rehearsals', ['seed' => $seed], 'Sitting', 201);
        foreach ($sitting->objects('questions') as $i => $question) {
            $key = array_map(static fn (Fields $line): string => $line->text('text'), $sitting->object('watch')->objects('questions')[$i]->objects('key'));
            $sitting = $this->act($sitting, ['type' => 'checked', 'sheet' => $i + 1, 'response' => $this->rightly($question, $key, $sitting->object('watch')->objects('questions')[$i]->integer('question'))]);
            $told = $sitting->objects('questions')[$i]->objects('told')[0];

            self::assertSame($question->text('kind') === 'rating' ? 'recorded' : 'right', $told->text('outcome'), $question->text('stem'));
        }
        $this->act($sitting, ['type' => 'handed in']);
        $review = $this->send('GET', '/api/sittings/' . $sitting->integer('id') . '/review', schema: 'Review');

        self::assertSame([$review->object('total')->text('max'), '100'], [$review->object('total')->text('earned'), $review->object('total')->text('percent')]);
        foreach ($review->objects('questions') as $question) {
            self::assertNotSame([], $question->objects('response'), 'what was given stands in the paper in words');
        }
    }

    #[DataProvider('seeds')]
    public function test_what_is_left_blank_earns_nothing_and_is_told_so(int $seed): void
    {
        $this->logIn('orrell');
        $sitting = $this->send('POST', '/api/blueprints/3/rehearsals', ['seed' => $seed], 'Sitting', 201);
        $this->act($sitting, ['type' => 'handed in']);
        $review = $this->send('GET', '/api/sittings/' . $sitting->integer('id') . '/review', schema: 'Review');

        self::assertSame('0', $review->object('total')->text('earned'));
        foreach ($review->objects('questions') as $question) {
            self::assertSame([[], 'unanswered'], [$question->objects('response'), $question->text('outcome')]);
        }
    }

    /**
     * @param list<string> $key in words
     *
     * @return array<string, mixed>
     */
    private function rightly(Fields $question, array $key, int $id): array
    {
        $answers = $question->object('answers');
        $content = $this->send('GET', "/api/questions/$id")->object('content');
        $place = static fn (string $list, string $text): string => (string) ((int) array_search($text, $answers->texts($list), true) + 1);

        return match ($question->text('kind')) {
            'gaps' => ['gaps' => self::gaps($answers->items('gaps'), $content)],
            'pairs' => ['pairs' => array_map(static fn (Fields $p): string => $place('rights', $p->text('with')), self::byNumber($content->objects('pairs')))],
            'groups' => ['groups' => self::belonging($content->objects('items'), static fn (string $text): string => $place('items', $text))],
            'order' => ['order' => array_map(static fn (string $line): int => (int) $place('items', $line), $key)],
            'regions' => ['points' => array_map(self::inside(...), array_values(array_filter($content->objects('regions'), static fn (Fields $r): bool => $r->flag('key'))))],
            'place' => ['place' => self::belonging($content->objects('labels'), static fn (string $text): string => $place('labels', $text))],
            default => ['choose' => [3]],
        };
    }

    /**
     * @param list<mixed> $lists the list of each gap, or null where it is typed
     *
     * @return array<int, string>
     */
    private static function gaps(array $lists, Fields $content): array
    {
        $given = [];
        foreach ($content->objects('gaps') as $i => $gap) {
            $key = array_values(array_filter($gap->objects('listed', optional: true), static fn (Fields $l): bool => $l->flag('key')));
            $shown = $lists[$i];
            $given[$i + 1] = is_array($shown) ? (string) ((int) array_search($key[0]->text('text'), $shown, true) + 1) : $gap->objects('wordings')[0]->text('text');
        }

        return $given;
    }

    /**
     * @param list<Fields> $parts
     *
     * @return array<int, Fields> by the number each has in a response
     */
    private static function byNumber(array $parts): array
    {
        $numbered = [];
        foreach ($parts as $i => $part) {
            $numbered[$i + 1] = $part;
        }

        return $numbered;
    }

    /**
     * @param list<Fields> $parts items or labels
     * @param \Closure(string): string $place where a text stands on the page
     *
     * @return array<string, string>
     */
    private static function belonging(array $parts, \Closure $place): array
    {
        $given = [];
        foreach ($parts as $part) {
            $belongs = $part->texts('belongs', optional: true);
            if ($belongs !== []) {
                $given[$place($part->text('text'))] = $belongs[0];
            }
        }

        return $given;
    }

    /** @return list<int> a point within an area */
    private static function inside(Fields $region): array
    {
        $n = array_map(intval(...), (array) preg_split('/\D+/', $region->text('area'), -1, PREG_SPLIT_NO_EMPTY));

        return match (explode(' ', $region->text('area'))[0]) {
            'ellipse' => [$n[0], $n[1]],
            'rectangle' => [$n[0] + 1, $n[1] + 1],
            default => [intdiv($n[0] + $n[2] + $n[4], 3), intdiv($n[1] + $n[3] + $n[5], 3)],
        };
    }
}
