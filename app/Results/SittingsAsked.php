<?php

declare(strict_types=1);

namespace Zetema\App\Results;

use Symfony\Component\HttpFoundation\Request;
use Zetema\Core\Data\Malformed;

/** Which sittings of an edition are looked at, in which order, and from which of them on. */
final readonly class SittingsAsked
{
    public const PAGE = 100;

    private const KINDS = [
        'all' => '1 = 1',
        'running' => 's.ended_at IS NULL',
        'passed' => 's.passed = TRUE',
        'not passed' => 's.passed = FALSE',
    ];
    private const ORDERS = [
        'candidate' => 'a.folded',
        'began' => 's.started_at',
        'took' => 'COALESCE(s.ended_at - s.started_at, -1)',
        'points' => 'COALESCE(CAST(s.earned AS REAL), -1000000)',
        '%' => 'COALESCE(CAST(s.percent AS REAL), -1000000)',
        'passed' => 'COALESCE(s.passed, 2)',
    ];

    private function __construct(
        private string $kind = 'all',
        private string $name = '',
        private string $by = 'began',
        private bool $down = true,
        public int $from = 0,
    ) {
    }

    /** The newest of all. */
    public static function newest(): self
    {
        return new self();
    }

    /** @throws Malformed if it names what there is not */
    public static function of(Request $request): self
    {
        $asked = $request->query;
        $known = static fn (string $field, string $value, array $all): string => isset($all[$value])
            ? $value
            : throw new Malformed($field, 'is none of ' . implode(', ', array_keys($all)));
        $from = $asked->get('from', '0');
        if (preg_match('/^\d{1,9}$/D', $from) !== 1) {
            throw new Malformed('from', 'must be a whole number');
        }

        return new self(
            $known('kind', $asked->getString('kind', 'all'), self::KINDS),
            mb_substr($asked->getString('name'), 0, 100),
            $known('by', $asked->getString('by', 'began'), self::ORDERS),
            $asked->getString('down', '1') === '1',
            (int) $from,
        );
    }

    /** @return array{string, list<string>} what follows WHERE, over sittings s with their accounts a, and what is bound in it */
    public function condition(): array
    {
        if (trim($this->name) === '') {
            return [self::KINDS[$this->kind], []];
        }
        $letters = '%' . addcslashes(mb_strtolower(trim($this->name)), '%_\\') . '%';

        return [self::KINDS[$this->kind] . " AND a.folded LIKE ? ESCAPE '\\'", [$letters]];
    }

    /** Whether every sitting of the edition fits. */
    public function isAll(): bool
    {
        return $this->kind === 'all' && trim($this->name) === '';
    }

    /** The index that all of it is read from: in its order where they began, so that nothing need be sorted. */
    public function index(): string
    {
        return $this->by === 'began' ? 'sitting_began' : 'sitting_listed';
    }

    /** Whether it goes by names: they stand with accounts. */
    public function needsNames(): bool
    {
        return trim($this->name) !== '' || $this->by === 'candidate';
    }

    /** What follows ORDER BY; where two are alike the later one comes first. */
    public function order(): string
    {
        return self::ORDERS[$this->by] . ($this->down ? ' DESC' : ' ASC') . ', s.id DESC';
    }
}
