<?php

declare(strict_types=1);

namespace Zetema\App\Bank;

use Doctrine\DBAL\Connection;
use Zetema\Core\Marking\Marker;
use Zetema\Core\Marking\MarkingPlan;
use Zetema\Core\Marking\Sums;
use Zetema\Core\Question as Core;

/** One question as its author has it: page and margin. */
final readonly class QuestionView
{
    public function __construct(private Connection $db)
    {
    }

    /** @return array<string, mixed> */
    public function of(Question $question): array
    {
        $content = $question->newest()->question();

        return [
            'id' => $question->id,
            'bank' => ['id' => $question->bank->id, 'name' => $question->bank->name],
            'version' => $question->version(),
            'name' => $question->name(),
            'objective' => $question->objective()?->path,
            'status' => $question->status()->value,
            'revision' => $question->newest()->number,
            'clearedRevision' => $question->cleared()?->number,
            'savedAt' => $question->newest()->savedAt()->format(DATE_ATOM),
            'content' => (object) $question->newest()->content(),
            'margin' => self::margin($content),
            'neighbours' => $this->neighbours($question),
            'revisions' => array_map(static fn (Revision $r): array => [
                'number' => $r->number,
                'by' => $r->author->name,
                'savedAt' => $r->savedAt()->format(DATE_ATOM),
                'cleared' => $r === $question->cleared(),
            ], $question->revisions()),
        ];
    }

    /**
     * What each line leads to: settings with their place, what each choice earns on each attempt, what nothing earns.
     *
     * @return array<string, mixed>
     */
    public static function margin(Core\Question $question): array
    {
        $settings = $question->effective();
        $plan = MarkingPlan::of($question, $settings);
        $attempts = min($settings->attempts() ?? 3, 3);
        $values = [];
        foreach (Core\Setting::cases() as $setting) {
            $value = $settings->get($setting);
            if ($value !== null && Core\Question::kindTakes($question->kind::id(), $setting, $value)) {
                $values[$setting->value] = ['value' => $value, 'from' => $settings->placeOf($setting)];
            }
        }

        return [
            'worth' => (string) $plan->measure->worth,
            'settings' => (object) $values,
            'choices' => array_map(static fn (Core\Choice $choice): array => self::earns($plan, Core\Response::choosing([$choice->id]), $attempts), $question->kind->choices()),
            'key' => $question->kind->choices() === [] ? [] : [self::earns($plan, self::keyed($question, $settings), $attempts)],
            'answers' => self::answers($question, $plan),
            'blank' => self::earns($plan, Core\Response::blank(), 1),
            'wrong' => Marker::say($plan->penalties->wrong),
            'keyInWords' => $question->kind->keyInWords(),
        ];
    }

    /** @return list<string> what each accepted wording or span earns on the first attempt */
    private static function answers(Core\Question $question, MarkingPlan $plan): array
    {
        if ($question->kind->choices() !== []) {
            return [];
        }

        return array_map(
            static fn (Core\Atom $atom): string => (string) (new Marker())->markSums($plan, Sums::of([$atom]))->earned,
            $plan->measure->atoms,
        );
    }

    /** @return array{outcome: string, earned: list<string>} */
    private static function earns(MarkingPlan $plan, Core\Response $response, int $attempts): array
    {
        $marker = new Marker();
        $verdicts = array_map(static fn (int $attempt) => $marker->mark($plan, $response, $attempt), range(1, max(1, $attempts)));

        return ['outcome' => $verdicts[0]->outcome->value, 'earned' => array_map(static fn ($v): string => (string) $v->earned, $verdicts)];
    }

    private static function keyed(Core\Question $question, Core\EffectiveSettings $settings): Core\Response
    {
        $keys = array_map(static fn (Core\Choice $c): int => $c->id, array_filter($question->kind->choices(), static fn (Core\Choice $c): bool => $c->isKey));
        $most = $question->kind::id() === Core\KindId::Several ? $settings->limits()['most'] : 1;

        return Core\Response::choosing(array_slice(array_values($keys), 0, $most));
    }

    /** @return array{place: int, of: int, previous: int|null, next: int|null} among the questions of the same objective */
    private function neighbours(Question $question): array
    {
        $ids = array_map(static fn (mixed $id): int => is_numeric($id) ? (int) $id : 0, $this->db->fetchFirstColumn(
            'SELECT id FROM question WHERE bank_id = ? AND objective_id IS ? ORDER BY id',
            [$question->bank->id, $question->objective()?->id],
        ));
        $place = (int) array_search($question->id, $ids, true);

        return ['place' => $place + 1, 'of' => count($ids), 'previous' => $ids[$place - 1] ?? null, 'next' => $ids[$place + 1] ?? null];
    }
}
