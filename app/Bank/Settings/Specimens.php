<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Settings;

use Doctrine\ORM\EntityManagerInterface;
use Zetema\App\Bank\Bank;
use Zetema\App\Bank\Question\Revision;
use Zetema\App\Shared\Dialect\Dialects;
use Zetema\Core\Data\AuthorText;
use Zetema\Core\Marking\Feedback\FeedbackChooser;
use Zetema\Core\Marking\Plan\MarkingPlan;
use Zetema\Core\Marking\Verdict;
use Zetema\Core\Question\Feedback\Outcome;
use Zetema\Core\Question\Points;
use Zetema\Core\Question\Settings\Setting;

/** A question of each kind that says as little as any itself, and what its candidates are told under what the bank sets. */
final readonly class Specimens
{
    private const EXCERPT = 90;

    public function __construct(private EntityManagerInterface $em)
    {
    }

    /** @return array<string, array<string, mixed>> by kind */
    public function of(Bank $bank): array
    {
        $dialect = Dialects::of($this->em->getConnection());
        $least = $this->em->getConnection()->fetchAllKeyValue(
            "SELECT kind, id FROM (SELECT r.kind, r.id, ROW_NUMBER() OVER (PARTITION BY q.kind ORDER BY LENGTH(COALESCE({$dialect->jsonText(
                'r.content',
                'settings',
            )}, '')) + LENGTH(COALESCE({$dialect->jsonText('r.content', 'outcomeTexts')}, '')), q.id) AS place
            FROM question q JOIN revision r ON r.id = q.newest_id WHERE q.bank_id = ? AND q.status <> 'retired' AND NOT q.is_unfinished) placed WHERE place = 1",
            [$bank->id],
        );
        $specimens = [];
        foreach ($least as $kind => $id) {
            $revision = $this->em->find(Revision::class, $id) ?? throw new \LogicException('it was found');
            $specimens[(string) $kind] = $this->told($bank, $revision);
        }

        return $specimens;
    }

    /** @return array<string, mixed> */
    private function told(Bank $bank, Revision $revision): array
    {
        $question = $revision->question();
        $question = $question->saying($bank->settings()->wordingFor($question->kind::id()));
        $settings = $question->effective($bank->settings());
        $max = MarkingPlan::of($question, $settings)->max();
        $attempts = $settings->attempts();
        $facts = $question->kind::id()->facts();
        $said = [];
        foreach (Outcome::cases() as $outcome) {
            if (
                $facts->isJudged === ($outcome !== Outcome::Recorded) &&
                ($facts->isPartly || $outcome !== Outcome::Partly) &&
                ($outcome !== Outcome::OutOfTime || $settings->seconds() !== null)
            ) {
                $verdict = new Verdict(
                    $outcome,
                    $outcome === Outcome::Right
                        ? $max
                        : ($outcome === Outcome::Partly
                            ? Points::rounded($max->exact()->dividedBy(2), $settings->integer(Setting::Decimals))
                            : Points::zero()),
                    $max,
                    [],
                );
                $said[] = [
                    'outcome' => $outcome->value,
                    'text' => FeedbackChooser::afterOutcome($question, $verdict, 1, $attempts === 1) ??
                        (new FeedbackChooser())->facts($verdict, $attempts === null ? null : $attempts - 1),
                ];
            }
        }

        return [
            'id' => $revision->question->id,
            'excerpt' => AuthorText::excerpt($question->stem, self::EXCERPT),
            'how' => $settings->get(Setting::How) ?? $facts->how,
            'worth' => (string) $max,
            'attempts' => $attempts,
            'time' => $settings->seconds(),
            'said' => $said,
        ];
    }
}
