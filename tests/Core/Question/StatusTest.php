<?php

declare(strict_types=1);

namespace Zetema\Tests\Core\Question;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Zetema\Core\Question\BankRole;
use Zetema\Core\Question\Status;

final class StatusTest extends TestCase
{
    /** @return iterable<string, array{Status, list<string>, list<string>}> from, what an author may make of it, what a reviewer may */
    public static function steps(): iterable
    {
        yield 'a draft' => [Status::Draft, ['in review', 'cleared', 'retired'], ['in review', 'cleared']];
        yield 'one in review' => [Status::InReview, ['cleared', 'draft', 'retired'], ['cleared', 'draft']];
        yield 'a cleared one' => [Status::Cleared, ['retired'], []];
        yield 'a retired one' => [Status::Retired, ['draft'], []];
    }

    /**
     * @param list<string> $author
     * @param list<string> $reviewer
     */
    #[DataProvider('steps')]
    public function test_who_may_take_which_step(Status $from, array $author, array $reviewer): void
    {
        $words = static fn (BankRole $role): array => array_map(static fn (Status $to): string => $to->value, $from->next($role));

        self::assertSame([$author, $reviewer], [$words(BankRole::Author), $words(BankRole::Reviewer)]);
    }
}
