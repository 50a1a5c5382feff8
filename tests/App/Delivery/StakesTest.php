<?php

declare(strict_types=1);

namespace Zetema\Tests\App\Delivery;

use PHPUnit\Framework\Attributes\DataProvider;
use Zetema\Core\Data\Fields;
use Zetema\Tests\App\ApiTestCase;

/** Before the clock starts it is told what a candidate stands to lose; nothing of the key, nothing of single questions. */
final class StakesTest extends ApiTestCase
{
    /** @return iterable<string, array{array<string, mixed>, array<string, mixed>, array<string, mixed>}> rules and settings of the blueprint, settings of its one step, what is told */
    public static function plans(): iterable
    {
        $nothing = ['graded' => true, 'late' => [], 'wrong' => null, 'blank' => null, 'later' => null, 'hint' => null];
        yield 'nothing is lost' => [[], [], $nothing];
        yield 'wrong ones cost' => [[], ['wrong costs' => '0.5'], [...$nothing, 'wrong' => ['all' => true, 'points' => '0.5']]];
        yield 'said of the whole' => [['settings' => ['blank costs' => '1']], [], [...$nothing, 'blank' => ['all' => true, 'points' => '1']]];
        yield 'scaled with the points of the draw: how much depends on the question' => [[], ['wrong costs' => '0.5', 'points' => '4'], [...$nothing, 'wrong' => ['all' => true, 'points' => null]]];
        yield 'a later attempt costs where there is one' => [['rules' => ['feedback' => 'after each attempt']], ['attempts' => '3', 'attempt costs' => '1'], [...$nothing, 'later' => ['all' => true, 'points' => '1']]];
        yield 'a question with a time' => [['rules' => ['screen' => 'question']], ['time' => '30 s', 'late' => 'marks'], [...$nothing, 'late' => ['marks']]];
        yield 'nothing is graded' => [[], ['graded' => 'no', 'wrong costs' => '1'], [...$nothing, 'graded' => false]];
    }

    /**
     * @param array<string, mixed> $more
     * @param array<string, mixed> $step
     * @param array<string, mixed> $told
     */
    #[DataProvider('plans')]
    public function test_what_is_at_stake_is_told(array $more, array $step, array $told): void
    {
        $this->logIn('orrell');
        $id = $this->send('POST', '/api/banks/1/blueprints', ['title' => 'At stake'], status: 201)->integer('id');
        $document = $this->send('GET', "/api/blueprints/$id")
            ->object('document')
            ->raw();
        $step = ['id' => '1', 'draw' => ['take' => 2, 'pool' => ['kinds' => ['claim']]], ...$step === [] ? [] : ['settings' => $step]];
        $rules = [...(array) ($document['rules'] ?? []), ...(array) ($more['rules'] ?? [])];
        $this->send('PUT', "/api/blueprints/$id/document", ['version' => 1, 'document' => [...$document, ...$more, 'rules' => $rules, 'sections' => [['id' => 'all', 'steps' => [$step]]]]], 'Blueprint');
        self::assertEquals(
            $told,
            $this->send('GET', "/api/blueprints/$id/opening", schema: 'Opening')
                ->object('stakes')
                ->raw(),
            'as its author looks at it',
        );
        if ($told['graded'] !== false) {
            $edition = $this->send('POST', "/api/blueprints/$id/editions", ['version' => $this->version("/api/blueprints/$id")], status: 201)->integer('id');
            $this->logIn('wren');
            self::assertEquals(
                $told,
                $this->send('GET', "/api/editions/$edition/opening", schema: 'Opening')
                    ->object('stakes')
                    ->raw(),
                'as a candidate reads it',
            );
        }
    }

    public function test_where_questions_differ_it_says_some(): void
    {
        $this->logIn('orrell');
        $claims = array_map(static fn (Fields $q): int => $q->integer('id'), array_slice($this->send('GET', '/api/banks/1/questions?kind=claim&status=cleared')->objects('questions'), 0, 2));
        $id = $this->send('POST', '/api/banks/1/blueprints', ['title' => 'At stake'], status: 201)->integer('id');
        $this->plan($id, [['question' => 'q' . $claims[0], 'settings' => ['wrong costs' => '1']], ['question' => 'q' . $claims[1]]]);

        self::assertEquals(
            ['all' => false, 'points' => '1'],
            $this->send('GET', "/api/blueprints/$id/opening", schema: 'Opening')
                ->object('stakes')
                ->object('wrong')
                ->raw(),
        );
    }
}
