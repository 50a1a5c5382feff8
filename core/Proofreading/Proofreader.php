<?php

declare(strict_types=1);

namespace Zetema\Core\Proofreading;

use Zetema\Core\Question\Answers\Choice;
use Zetema\Core\Question\Kinds\KindId;
use Zetema\Core\Question\Question;
use Zetema\Core\Question\Settings\BankSettings;
use Zetema\Core\Question\Settings\EffectiveSettings;
use Zetema\Core\Question\Settings\Setting;

/** Reads how questions are written: one by one, and what only shows over a whole bank. */
final readonly class Proofreader
{
    private const MANY_CLAIMS = 6;
    private const MANY_KEYS = 8;

    /** @param list<Check> $checks */
    public function __construct(private array $checks = [new StemCheck(), new ChoiceCheck(), new FeedbackCheck(), new AreaCheck()])
    {
    }

    /** @return list<Flaw> */
    public function read(Question $question, EffectiveSettings $settings): array
    {
        $findings = [];
        foreach ($this->checks as $check) {
            foreach ($check->findings($question, $settings) as $finding) {
                $findings[] = $finding;
            }
        }

        return $findings;
    }

    /**
     * What shows only over many questions, told at the questions concerned.
     *
     * @param iterable<array-key, Question> $questions
     *
     * @return array<array-key, list<Flaw>> by the questions' keys
     */
    public function across(iterable $questions, ?BankSettings $bank = null): array
    {
        $places = [];
        foreach ($questions as $id => $question) {
            $place = self::keyPlace($question, $question->effective($bank));
            if ($place !== null) {
                $places[$question->kind::id()->value][$place][] = $id;
            }
        }
        $flaws = [];
        foreach ($places as $kind => $ids) {
            foreach (self::outOfBalance(KindId::from($kind), array_map(count(...), $ids)) as $place => $flaw) {
                foreach ($ids[$place] as $id) {
                    $flaws[$id][] = $flaw;
                }
            }
        }

        return $flaws;
    }

    /**
     * Where the key stands, counted from 0, if its place tells something over many questions: in claims, and in a choice of one that is not
     * shuffled.
     */
    public static function keyPlace(Question $question, EffectiveSettings $settings): ?int
    {
        $facts = $question->kind::id()->facts();
        if (!$facts->choosesOne || (!$facts->isStatement && $settings->isYes(Setting::Shuffle))) {
            return null;
        }
        $place = array_search(true, array_map(static fn (Choice $c): bool => $c->isKey, $question->kind->choices()), true);

        return $place === false ? null : $place;
    }

    /**
     * What is to be said where keys stand in one place too often.
     *
     * @param array<int, int> $counts how many of the kind have their key there, by place
     *
     * @return array<int, Flaw> by place
     */
    public static function outOfBalance(KindId $kind, array $counts): array
    {
        $isStatement = $kind->facts()->isStatement;
        $all = array_sum($counts);
        $flaws = [];
        foreach ($counts as $place => $count) {
            if (!$isStatement && $all >= self::MANY_KEYS && 10 * $count > 6 * $all) {
                $flaws[$place] = new Flaw(
                    Rule::KeyInOnePlace,
                    'answer ' . ($place + 1),
                    sprintf('In %d of %d unshuffled questions the key is answer %d.', $count, $all, $place + 1),
                );
            } elseif ($isStatement && $all >= self::MANY_CLAIMS && 10 * $count > 7 * $all) {
                $flaws[$place] = new Flaw(
                    Rule::ClaimsOutOfBalance,
                    'stem',
                    sprintf('%d of %d claims are %s.', $count, $all, $place === 0 ? 'true' : 'false'),
                );
            }
        }

        return $flaws;
    }
}
