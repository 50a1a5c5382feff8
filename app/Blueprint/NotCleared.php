<?php

declare(strict_types=1);

namespace Zetema\App\Blueprint;

use Zetema\Core\Data\ToldToPeople;

/** A blueprint names questions that no form can hold. */
final class NotCleared extends \DomainException implements ToldToPeople
{
    private const FEW = 4;

    /**
     * @param non-empty-list<string> $names as authors know them
     * @param bool $areThere whether the bank has any of them
     */
    public function __construct(array $names, bool $areThere)
    {
        $shown = array_map(static fn (string $name): string => "“{$name}”", array_slice($names, 0, self::FEW));
        $more = count($names) - count($shown);
        $list = implode(', ', $shown) . ($more > 0 ? " and $more more" : '');
        parent::__construct(
            $areThere
                ? sprintf(
                    '%s %s not cleared yet, so no form can be dealt. Clear %s, or take %3$s out of the running order.',
                    $list,
                    count($names) === 1 ? 'is' : 'are',
                    count($names) === 1 ? 'it' : 'them',
                )
                : sprintf(
                    '%s %s no longer in the bank. Take %s out of the running order.',
                    $list,
                    count($names) === 1 ? 'is' : 'are',
                    count($names) === 1 ? 'it' : 'them',
                ),
        );
    }
}
