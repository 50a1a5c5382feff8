<?php

declare(strict_types=1);

namespace Zetema\Tests\Core\Marking;

use Opis\JsonSchema\Errors\ErrorFormatter;
use Opis\JsonSchema\Validator;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Marking\Marker;
use Zetema\Core\Marking\Plan\MarkingPlan;
use Zetema\Core\Question\Kinds\KindId;
use Zetema\Core\Question\Response\Response;

/** A marking plan is data: whoever runs those of docs/formats/marking-plan-vectors.json must come to the verdicts that stand there. */
final class PlanVectorsTest extends TestCase
{
    private const FORMATS = __DIR__ . '/../../../docs/formats/';

    /** @return iterable<string, array{Fields}> */
    public static function vectors(): iterable
    {
        foreach (Fields::ofJson('{"vectors":' . file_get_contents(self::FORMATS . 'marking-plan-vectors.json') . '}')->objects('vectors') as $i => $vector) {
            yield $i . ' ' . $vector->text('kind') => [$vector];
        }
    }

    #[DataProvider('vectors')]
    public function test_a_plan_read_from_json_gives_the_verdicts_that_are_written_down(Fields $vector): void
    {
        $plan = MarkingPlan::fromData($vector->object('plan'));
        foreach ($vector->objects('cases') as $case) {
            $response = self::response($case->optionalObject('response'));
            $verdict = (new Marker())->mark($plan, $response, $case->integer('attempt'), $case->integer('hints'), $case->flag('late'));

            self::assertSame($case->object('verdict')->raw(), $verdict->toData(), (string) json_encode($case->raw()));
        }
    }

    #[DataProvider('vectors')]
    public function test_a_plan_has_the_shape_that_its_schema_tells_and_is_written_as_it_was_read(Fields $vector): void
    {
        $written = json_encode(MarkingPlan::fromData($vector->object('plan'))->toData(), JSON_THROW_ON_ERROR);
        $result = (new Validator())->validate(json_decode($written), (string) file_get_contents(self::FORMATS . 'marking-plan.schema.json'));
        $error = $result->error();

        self::assertTrue($result->isValid(), $error === null ? '' : (string) json_encode((new ErrorFormatter())->format($error)));
        self::assertEquals($vector->object('plan')->raw(), json_decode($written, true));
    }

    public function test_the_vectors_cover_every_kind(): void
    {
        $kinds = array_unique(array_map(static fn (array $v): string => $v[0]->text('kind'), iterator_to_array(self::vectors(), false)));
        sort($kinds);
        $all = array_map(static fn (KindId $kind): string => $kind->value, KindId::cases());
        sort($all);

        self::assertSame($all, $kinds);
    }

    public function test_a_plan_of_another_version_is_refused(): void
    {
        $this->expectException(Malformed::class);
        MarkingPlan::fromData(Fields::of(['v' => 99]));
    }

    private static function response(?Fields $given): Response
    {
        $field = (string) array_key_first($given?->raw() ?? []);

        return match ($field) {
            '' => Response::blank(),
            'choose' => Response::choosing($given?->integers('choose') ?? []),
            'text' => Response::typed($given?->text('text') ?? ''),
            'order' => Response::ordering($given?->integers('order') ?? []),
            'points' => Response::clicking(
                array_map(static fn (mixed $point): array => is_array($point) && is_int($point[0]) && is_int($point[1]) ? [$point[0], $point[1]] : self::fail('two numbers'), $given?->items('points') ?? []),
            ),
            default => Response::mapping($field, array_combine(array_map(intval(...), array_keys($given?->textMap($field) ?? [])), array_values($given?->textMap($field) ?? []))),
        };
    }
}
