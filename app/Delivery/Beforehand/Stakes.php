<?php

declare(strict_types=1);

namespace Zetema\App\Delivery\Beforehand;

use Doctrine\DBAL\Connection;
use Symfony\Contracts\Cache\CacheInterface;
use Zetema\App\Bank\Question\Revision;
use Zetema\App\Blueprint\BankStock;
use Zetema\App\Blueprint\Blueprint;
use Zetema\App\Blueprint\Editions\Edition;
use Zetema\App\Blueprint\NotCleared;
use Zetema\App\Shared\Dialect\Dialects;
use Zetema\Core\Blueprint\Blueprint as Assessment;
use Zetema\Core\Blueprint\Dealing\BlueprintDealer;
use Zetema\Core\Blueprint\Step\AskingStep;
use Zetema\Core\Blueprint\Step\DrawStep;
use Zetema\Core\Blueprint\Step\QuestionStep;
use Zetema\Core\Data\Fields;
use Zetema\Core\Question\Question;
use Zetema\Core\Question\Settings\BankSettings;
use Zetema\Core\Question\Settings\EffectiveSettings;
use Zetema\Core\Question\Settings\Setting;

/**
 * What a candidate stands to lose, told before the clock starts: what wrong, blank and later answers cost, and what becomes of an answer
 * when the time of its question runs out.
 */
final readonly class Stakes
{
    private const COSTS = [
        'wrong' => Setting::WrongCosts,
        'blank' => Setting::BlankCosts,
        'later' => Setting::AttemptCosts,
        'hint' => Setting::HintCosts,
    ];
    /** Settings that say the same are read once; no bank has so many that differ. */
    private const SORTS = 2_000;

    public function __construct(private Connection $db, private CacheInterface $cache, private BankStock $stock)
    {
    }

    /** @return array<string, mixed> an edition never changes, so that it is worked out once */
    public function ofEdition(Edition $edition): array
    {
        return $this->cache->get(
            'stakes-' . $edition->checksum(),
            fn (): array => $this->of(
                $edition->assessment(),
                $edition->bankSettings(),
                'SELECT revision_id FROM edition_question WHERE edition_id = ?',
                [$edition->id],
            ),
        );
    }

    /** @return array<string, mixed> as it would be if it were frozen now */
    public function ofBlueprint(Blueprint $blueprint): array
    {
        $stock = $this->stock->of($blueprint->bank, true);
        try {
            $held = $stock->held($stock->dealer(BlueprintDealer::plan($blueprint->assessment()))->held());
        } catch (NotCleared) {
            $held = [];
        }

        return $this->of($blueprint->assessment(), $blueprint->bank->settings(), Dialects::of($this->db)->inList('?'), [
            json_encode(array_keys($held), JSON_THROW_ON_ERROR),
        ]);
    }

    /**
     * @param string $ids SQL that gives ids of revisions
     * @param list<int|string> $parameters
     *
     * @return array<string, mixed>
     */
    private function of(Assessment $plan, BankSettings $bank, string $ids, array $parameters): array
    {
        $dialect = Dialects::of($this->db);
        $rows = $this->db->fetchAllAssociative(
            "SELECT r.content, s.ids FROM (SELECT MIN(id) AS id, {$dialect->jsonList(
                "'q' || question_id",
            )} AS ids FROM revision WHERE id IN ($ids) GROUP BY kind, {$dialect->jsonText('content', 'settings')}, {$dialect->jsonLength(
                'content',
                'hints',
            )} > 0 ORDER BY 1 LIMIT " .
                self::SORTS .
                ') s JOIN revision r ON r.id = s.id',
            $parameters,
        );
        $isGraded = false;
        $late = $costs = [];
        foreach ($rows as $row) {
            $question = Revision::dealt(Fields::ofJson(is_string($row['content']) ? $row['content'] : ''), null);
            $names = json_decode(is_string($row['ids']) ? $row['ids'] : '[]', true);
            foreach ($plan->steps() as [$section, $step]) {
                if (
                    !($step instanceof DrawStep) &&
                    !($step instanceof QuestionStep && is_array($names) && in_array($step->question, $names, true))
                ) {
                    continue;
                }
                $settings = $question->effective($bank, $step->settings, $section->settings, $plan->settings);
                if (!$settings->isYes(Setting::Graded) || $settings->isKeyless()) {
                    continue;
                }
                $isGraded = true;
                $late += $settings->seconds() === null ? [] : [$settings->late()->value => true];
                foreach (self::charged($question, $settings, $plan->rulesIn($section)->tellsBeforeTheEnd()) as $what => $points) {
                    $costs[$what][$points] = true;
                }
            }
        }
        $isScaled =
            array_filter(
                $plan->steps(),
                static fn (array $at): bool => $at[1] instanceof AskingStep && $at[1]->settings->get(Setting::Points) !== null,
            ) !== [];

        return [
            'graded' => $isGraded,
            'late' => array_keys($late),
            ...array_map(
                static fn (Setting $setting): ?array => self::cost(array_keys($costs[$setting->value] ?? []), $isScaled),
                self::COSTS,
            ),
        ];
    }

    /** @return array<string, string> points by setting, as they are written; 0 where there is nothing to pay for */
    private static function charged(Question $question, EffectiveSettings $settings, bool $isTold): array
    {
        $charged = [];
        foreach (self::COSTS as $setting) {
            // Where nothing is told before the end there is one attempt.
            $counts =
                ($setting !== Setting::AttemptCosts || ($isTold && ($settings->attempts() ?? 2) > 1)) &&
                ($setting !== Setting::HintCosts || $question->hints !== []);
            $charged[$setting->value] = $counts ? $settings->get($setting) ?? '0' : '0';
        }

        return $charged;
    }

    /**
     * @param list<int|string> $values
     *
     * @return array{all: bool, points: string|null}|null whether all questions have it, and how much where it is the same for those; null:
     *   none
     */
    private static function cost(array $values, bool $isScaled): ?array
    {
        $values = array_map(strval(...), $values);
        $some = array_values(array_filter($values, static fn (string $value): bool => trim($value, '0., ') !== ''));

        return $some === []
            ? null
            : [
                'all' => count($some) === count($values),
                'points' => count($some) === 1 && !$isScaled && is_numeric($some[0]) ? $some[0] : null,
            ];
    }
}
