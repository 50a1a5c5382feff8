<?php

declare(strict_types=1);

namespace Zetema\App\Background\Out;

use Symfony\Component\DependencyInjection\Attribute\AutoconfigureTag;
use Zetema\App\People\Account;
use Zetema\Core\Data\Fields;
use Zetema\Core\Data\ToldToPeople;

/** A way out that can take long: its file is written in the background, and waits to be fetched. */
#[AutoconfigureTag]
interface WritesOut
{
    /** Its name in the input of the job. */
    public static function name(): string;

    /**
     * @param callable(): mixed $beat a sign of life, where much is worked out before the first piece
     *
     * @throws ToldToPeople the reason, if it cannot be written
     */
    public function written(Fields $input, Account $account, callable $beat): WrittenOut;
}
