<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Question\Listing;

use Doctrine\DBAL\Query\QueryBuilder;
use Zetema\App\Bank\Assessments;
use Zetema\App\Bank\Bank;
use Zetema\App\Bank\Settings\Differing;
use Zetema\App\People\Account;
use Zetema\App\People\Role;
use Zetema\App\Shared\Dialect\Dialect;
use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Question\Difficulty;
use Zetema\Core\Question\Kinds\KindId;
use Zetema\Core\Question\Settings\Setting;

/** Which questions of a bank are asked for: as it stands in a list's address, in a change of many, in what is written out. */
final readonly class QuestionFilter
{
    /** What the database has no sums of. */
    private const MORE = ['tag', 'difficulty', 'whole', 'comments', 'notes', 'since', 'assessment', 'pool', 'differs', 'waiting'];

    /** For a reviewer what is to be reviewed, or was answered; for an author what came back with a comment of somebody else. */
    private const WAITING = [
        'reviewer' => "(q.status = 'in review' OR q.id IN (SELECT c.question_id FROM comment c WHERE c.closed_at IS NULL AND c.author_id = :me AND c.answers <> '[]'))",
        'author' => 'q.id IN (SELECT c.question_id FROM comment c WHERE c.closed_at IS NULL AND c.author_id <> :me) AND EXISTS (SELECT 1 FROM revision a WHERE a.id = q.newest_id AND a.author_id = :me)',
    ];

    /**
     * @param int|null $objective its id, with what lies below it; 0: without an objective
     * @param array<string, string> $more by name, each one of MORE
     */
    public function __construct(
        public ?int $objective = null,
        public ?string $kind = null,
        public ?string $status = null,
        public string $search = '',
        public bool $patterns = false,
        private array $more = [],
        private ?Account $account = null,
    ) {
    }

    /**
     * @param Fields $data as in a list's address: all that is there narrows the list
     * @param Account|null $account whose work is asked for; null: nobody's
     *
     * @throws Malformed
     */
    public static function of(Fields $data, ?Account $account): self
    {
        $data->only('objective', 'kind', 'status', 'search', 'patterns', ...self::MORE);
        $word = static fn (string $name): ?string => is_int($data->raw()[$name] ?? null)
            ? (string) $data->raw()[$name]
            : $data->optionalText($name);
        $more = [];
        foreach (self::MORE as $name) {
            $value = $word($name);
            if ($value !== null && $value !== '') {
                if ($name === 'waiting' && $account === null) {
                    throw new Malformed($name, 'is another thing for everybody, so that no pool can hold it');
                }
                $more[$name] = self::isRight($name, $value) ? $value : throw new Malformed($name, sprintf('cannot be “%s”', $value));
            }
        }
        $objective = $word('objective');
        if ($objective !== null && preg_match('/^\d{1,18}$/D', $objective) !== 1) {
            throw new Malformed('objective', 'must be a whole number');
        }

        return new self(
            $objective === null ? null : (int) $objective,
            $data->optionalText('kind'),
            $data->optionalText('status'),
            trim($data->text('search', '')),
            in_array($data->raw()['patterns'] ?? false, [true, 'true', '1'], true),
            $more,
            $account,
        );
    }

    public function isAll(): bool
    {
        return $this->objective === null && $this->kind === null && $this->status === null && $this->search === '' && !$this->isMore();
    }

    public function isOnlySearch(): bool
    {
        return $this->search !== '' && $this->objective === null && $this->kind === null && $this->status === null && !$this->isMore();
    }

    /** Whether it asks for more than objective, kind and status, which the database has sums of, and words. */
    public function isMore(): bool
    {
        return $this->patterns || $this->more !== [];
    }

    /** @param QueryBuilder $query over question q */
    public function restrict(QueryBuilder $query, Dialect $dialect, Assessments $assessments, Bank $bank): void
    {
        if ($this->patterns) {
            $query->andWhere('q.is_pattern = TRUE');
        }
        foreach ($this->more as $name => $value) {
            $query->andWhere(
                match ($name) {
                    'tag' => 'q.newest_id IN (SELECT t.revision_id FROM revision_tag t WHERE t.tag = :tag)',
                    'difficulty' => 'EXISTS (SELECT 1 FROM revision d WHERE d.id = q.newest_id AND ' .
                        ($value === 'none' ? 'd.difficulty IS NULL OR d.difficulty = :difficulty)' : 'd.difficulty = :difficulty)'),
                    'whole' => 'q.is_unfinished = ' . ($value === 'no' ? 'TRUE' : 'FALSE'),
                    'comments' => 'q.id IN (SELECT c.question_id FROM comment c WHERE c.closed_at IS NULL)',
                    'notes' => 'q.id IN (SELECT n.question_id FROM proofreading_note n WHERE n.bank_id = :bank)',
                    'since' => 'EXISTS (SELECT 1 FROM revision s WHERE s.id = q.newest_id AND s.saved_at >= :since)',
                    'pool' => 'q.id IN (SELECT p.question_id FROM pool_question p WHERE p.pool_id = :pool)',
                    'differs' => self::differs($query, $dialect, Setting::from($value), $bank),
                    'assessment' => 'q.id IN (' . $assessments->heldByNewest(':assessment') . ')',
                    default => self::WAITING[$this->account?->role === Role::Reviewer ? 'reviewer' : 'author'],
                },
            );
            if (in_array($name, ['tag', 'difficulty', 'since', 'assessment', 'pool'], true)) {
                $query->setParameter($name, $value);
            }
            if ($name === 'waiting') {
                $query->setParameter('me', $this->account->id ?? 0);
            }
        }
    }

    /** Says itself another value than counts for its kind where nothing is said, and is still asked. */
    private static function differs(QueryBuilder $query, Dialect $dialect, Setting $setting, Bank $bank): string
    {
        $settings = $bank->settings();
        $values = '';
        foreach (KindId::cases() as $i => $kind) {
            $values .= " WHEN '{$kind->value}' THEN :counts{$i}";
            $query->setParameter('counts' . $i, Differing::value($settings, $kind, $setting));
        }
        $query->setParameter('says', $dialect->jsonPath('settings', $setting->value));

        return "q.status <> 'retired' AND EXISTS (SELECT 1 FROM revision w WHERE w.id = q.newest_id AND {$dialect->jsonTextAt(
            'w.content',
            ':says',
        )} <> CASE q.kind$values END)";
    }

    private static function isRight(string $name, string $value): bool
    {
        return match ($name) {
            'tag' => mb_strlen($value) <= 80,
            'difficulty' => $value === 'none' || Difficulty::tryFrom($value) !== null,
            'whole' => in_array($value, ['yes', 'no'], true),
            'comments' => $value === 'open',
            'notes' => $value === 'yes',
            'waiting' => $value === 'me',
            'differs' => in_array(Setting::tryFrom($value), Bank::SETTINGS, true),
            'since' => preg_match('/^\d{4}-\d\d-\d\d$/D', $value) === 1,
            default => preg_match('/^\d{1,18}$/D', $value) === 1,
        };
    }
}
