<?php

declare(strict_types=1);

namespace Zetema\Tests\Core\Blueprint;

use Zetema\Core\Blueprint\Dealing\BlueprintDealer;
use Zetema\Core\Blueprint\Dealing\DealtForm;
use Zetema\Core\Blueprint\Dealing\DealtStep;
use Zetema\Core\Data\Fields;
use Zetema\Core\Sitting\Stored\FormCodec;
use Zetema\Tests\Core\Sitting\ListedBank;
use Zetema\Tests\Core\Sitting\SatCase;

/** A form in its order: what is mixed is mixed, what stands together stays together, one seed gives one form. */
final class DealtFormTest extends SatCase
{
    /** @return array<string, mixed> */
    private static function draw(string $id, string $objective, int $take, string $place = 'together'): array
    {
        return ['id' => $id, 'draw' => ['take' => $take, 'pool' => ['objective' => $objective], 'place' => $place]];
    }

    /** @param array<string, mixed> $blueprint */
    private static function dealt(array $blueprint, int $seed): DealtForm
    {
        return (new BlueprintDealer(self::plan([], $blueprint), (new ListedBank(self::BANK))->stock()))->deal($seed);
    }

    /** @return list<string> */
    private static function steps(DealtForm $form): array
    {
        return array_map(static fn (DealtStep $step): string => $step->step, array_merge(...array_column($form->sections, 'steps')));
    }

    public function test_mixed_draws_change_places_among_each_other_and_with_nothing_else(): void
    {
        $blueprint = self::whole([self::draw('d1', 'Boats', 3, 'mixed'), ['id' => 'p', 'page' => 'reading'], self::draw('d2', 'Lamp room', 1, 'mixed'), self::draw('d3', 'Boats', 2)]);
        $where = [];
        for ($seed = 1; $seed <= 60; ++$seed) {
            $steps = self::steps(self::dealt($blueprint, $seed));
            self::assertSame(['p', 'd3', 'd3'], [$steps[3], $steps[5], $steps[6]], 'page and draw together stay where they were written');
            $where[array_search('d2', $steps, true)] = true;
            self::assertSame($steps, self::steps(self::dealt($blueprint, $seed)));
        }
        ksort($where);
        self::assertSame([0, 1, 2, 4], array_keys($where), 'a mixed question comes to every place of the mixed draws');
    }

    public function test_in_a_mixed_section_a_draw_stays_together_and_sections_can_be_mixed(): void
    {
        $blueprint = [
            'order' => 'mixed',
            'sections' => [
                ['id' => 'a', 'order' => 'mixed', 'steps' => [self::draw('d1', 'Boats', 3), self::q('trim'), ['id' => 'p', 'page' => 'reading']]],
                ['id' => 'b', 'steps' => [['id' => 'p2', 'page' => 'second']]],
            ],
        ];
        $orders = [];
        for ($seed = 1; $seed <= 60; ++$seed) {
            $steps = self::steps(self::dealt($blueprint, $seed));
            $places = array_keys($steps, 'd1', true);
            self::assertSame(2, $places[2] - $places[0]);
            $orders[implode(' ', array_unique($steps))] = true;
        }
        self::assertCount(12, $orders, 'six orders of the section, before or after the other');
    }

    public function test_the_place_of_a_drawn_question_is_called_by_its_draw_and_a_way_to_the_draw_leads_to_its_beginning(): void
    {
        $plan = self::plan([self::q('fork'), self::checkpoint(['outcome' => 'fork', 'is' => ['right']], 'd1'), self::q('trim'), self::draw('d1', 'Boats', 3)]);
        $result = self::sat($plan, '0 start; 1 check fork {"choose":[1]}; 2 go on; 3 go on');
        $path = is_array($result['path']) ? $result['path'] : [];

        self::assertMatchesRegularExpression('/^d1:\w+$/', is_string($path[2] ?? null) ? $path[2] : '');
        self::assertCount(5, is_array($result['steps']) ? $result['steps'] : []);
        self::assertCame(['steps.trim.asked' => false], $result);
    }

    public function test_a_stored_form_reads_back_the_same(): void
    {
        $form = self::dealt(self::whole([self::draw('d1', 'Boats', 3, 'mixed'), ['id' => 'p', 'page' => 'reading'], self::draw('d2', 'Lamp room', 1, 'mixed')]), 7);
        $revisions = array_combine($form->questions(), range(11, 10 + count($form->questions())));
        $stored = json_encode(FormCodec::toData($form, $revisions), JSON_THROW_ON_ERROR);

        self::assertEquals([$form, $revisions], FormCodec::read(Fields::ofJson($stored), 7));
    }
}
