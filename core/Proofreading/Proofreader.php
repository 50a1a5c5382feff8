<?php

declare(strict_types=1);

namespace Zetema\Core\Proofreading;

use Zetema\Core\Question\Answers\Choice;
use Zetema\Core\Question\KindId;
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
    public function __construct(private array $checks = [new StemCheck(), new ChoiceCheck(), new FeedbackCheck()])
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
        $claims = ['true' => [], 'false' => []];
        foreach ($questions as $id => $question) {
            $choices = $question->kind->choices();
            $key = array_search(true, array_map(static fn (Choice $c): bool => $c->isKey, $choices), true);
            if ($key === false) {
                continue;
            }
            if ($question->kind::id() === KindId::Claim) {
                $claims[$key === 0 ? 'true' : 'false'][] = $id;
            } elseif ($question->kind::id() === KindId::One && !$question->effective($bank)->isYes(Setting::Shuffle)) {
                $places[$key][] = $id;
            }
        }
        $findings = [];
        $unshuffled = array_sum(array_map(count(...), $places));
        foreach ($places as $place => $ids) {
            if ($unshuffled >= self::MANY_KEYS && count($ids) > 0.6 * $unshuffled) {
                foreach ($ids as $id) {
                    $findings[$id][] = new Flaw(Rule::KeyInOnePlace, 'answer ' . ($place + 1), sprintf('In %d of %d unshuffled questions the key is answer %d.', count($ids), $unshuffled, $place + 1));
                }
            }
        }
        $all = count($claims['true']) + count($claims['false']);
        foreach ($claims as $word => $ids) {
            if ($all >= self::MANY_CLAIMS && count($ids) > 0.7 * $all) {
                foreach ($ids as $id) {
                    $findings[$id][] = new Flaw(Rule::ClaimsOutOfBalance, 'stem', sprintf('%d of %d claims are %s.', count($ids), $all, $word));
                }
            }
        }

        return $findings;
    }
}
