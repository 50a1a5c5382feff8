<?php

declare(strict_types=1);

namespace Zetema\Tests\App\Blueprint;

use PHPUnit\Framework\Attributes\DataProvider;
use Zetema\Tests\App\ApiTestCase;

/** The margin tells how long a sitting takes at most: by the whole, by its sections, or by its questions. */
final class MinutesTest extends ApiTestCase
{
    /**
     * @param list<array<string, mixed>> $steps
     * @param array<string, mixed> $more
     *
     * @return array<string, mixed>
     */
    private static function section(array $steps, array $more = []): array
    {
        return ['id' => 's' . count($steps), 'steps' => $steps, ...$more];
    }

    /** @return iterable<string, array{array<string, mixed>, list<array<string, mixed>>, int|null}> of the whole, sections, seconds at most */
    public static function plans(): iterable
    {
        $question = ['id' => 'q', 'question' => 'fresh eggs'];
        $draw = ['id' => 'd', 'draw' => ['take' => 3, 'pool' => ['kinds' => ['claim']]]];
        $in = self::section(...);
        $timed = ['settings' => ['time' => '10 s']];
        yield 'no time at all' => [[], [$in([$question])], null];
        yield 'the whole' => [['rules' => ['time' => '2 min']], [$in([$question])], 120];
        yield 'each question, said for the whole' => [$timed, [$in([$question, $draw])], 40];
        yield 'each question, said for a section' => [[], [$in([$question, $draw], $timed)], 40];
        yield 'each question, said at its step' => [[], [$in([[...$question, ...$timed], [...$draw, 'settings' => ['time' => '20 s']]])], 70];
        yield 'one of them has none' => [[], [$in([[...$question, ...$timed], $draw])], null];
        yield 'one whose time is taken away' => [$timed, [$in([[...$question, 'settings' => ['time' => 'none']]])], null];
        yield 'a section’s own time, and another’s questions' => [$timed, [$in([$draw], ['time' => '1 min']), $in([$question, ['id' => 'p', 'page' => 'why eggs matter']])], 70];
        yield 'a section without any time' => [[], [$in([$draw], ['time' => '1 min']), $in([$question, ['id' => 'p', 'page' => 'why eggs matter']])], null];
        yield 'the whole is over sooner' => [['rules' => ['time' => '30 s'], ...$timed], [$in([$draw, $question])], 30];
    }

    /**
     * @param array<string, mixed> $whole
     * @param list<array<string, mixed>> $sections
     */
    #[DataProvider('plans')]
    public function test_what_a_sitting_takes_at_most(array $whole, array $sections, ?int $seconds): void
    {
        $this->logIn('orrell');
        $made = $this->send('POST', '/api/banks/1/blueprints', ['title' => 'Timed'], status: 201);
        $saved = $this->send(
            'PUT',
            '/api/blueprints/' . $made->integer('id') . '/document',
            ['version' => $made->integer('version'), 'document' => ['v' => 2, 'title' => 'Timed', ...$whole, 'sections' => $sections]],
            'Blueprint',
        );
        self::assertSame($seconds, $saved->object('proof')->optionalInteger('seconds'));
    }

    public function test_each_path_takes_its_own_time(): void
    {
        $this->logIn('orrell');
        $made = $this->send('POST', '/api/banks/1/blueprints', ['title' => 'Timed'], status: 201);
        $draw = static fn (string $id, int $take): array => ['id' => $id, 'draw' => ['take' => $take, 'pool' => ['kinds' => ['claim']]], 'settings' => ['time' => '20 s']];
        $check = ['id' => 'c', 'checkpoint' => ['routes' => [['when' => ['points' => 'all', 'is' => '>=', 'value' => '1'], 'to' => 's3']]]];
        $sections = [['id' => 's1', 'steps' => [$draw('a', 1), $check]], ['id' => 's2', 'time' => '5 min', 'steps' => [$draw('b', 1)]], ['id' => 's3', 'steps' => [$draw('d', 2)]]];
        $saved = $this->send('PUT', '/api/blueprints/' . $made->integer('id') . '/document', ['version' => $made->integer('version'), 'document' => ['v' => 2, 'title' => 'Timed', 'sections' => $sections]], 'Blueprint');

        self::assertEqualsCanonicalizing([60, 360], array_map(static fn ($path): int => $path->integer('seconds'), $saved->object('proof')->object('paths')->objects('each')));
        self::assertSame(360, $saved->object('proof')->integer('seconds'));
    }

    public function test_a_share_is_wished_and_held_against_what_forms_have(): void
    {
        $this->logIn('orrell');
        $made = $this->send('POST', '/api/banks/1/blueprints', ['title' => 'Shared'], status: 201);
        $path = '/api/blueprints/' . $made->integer('id') . '/document';
        $document = ['v' => 2, 'title' => 'Shared', 'sections' => [['id' => 's', 'steps' => [['id' => 'q', 'question' => 'fresh eggs']]]]];
        $saved = $this->send('PUT', $path, ['version' => $made->integer('version'), 'document' => $document], 'Blueprint');
        $share = $saved->object('proof')->objects('shares')[0];
        self::assertSame(['100', '100', null], [$share->text('least'), $share->text('most'), $share->optionalText('wished')]);

        $wished = static fn (string $percent): array => ['shares' => [['objective' => $share->text('objective'), 'percent' => $percent]]];
        foreach (['99.5' => true, '40' => false] as $percent => $fits) {
            $saved = $this->send('PUT', $path, ['version' => $saved->integer('version'), 'document' => [...$document, ...$wished((string) $percent)]], 'Blueprint');
            $told = $saved->object('proof')->objects('shares')[0];
            self::assertSame([(string) $percent, $fits], [$told->text('wished'), $told->flag('fits')]);
        }
    }
}
