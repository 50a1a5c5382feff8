<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Question\Many;

use Symfony\Component\DependencyInjection\Attribute\AutoconfigureTag;
use Zetema\App\Bank\Bank;

/** What is made of a bank and goes on with revisions that it took: they cannot be taken out of the bank. */
#[AutoconfigureTag]
interface HoldsRevisions
{
    /**
     * @param list<int> $revisions
     *
     * @return string|null why they cannot go, if one of them is held
     */
    public function whyHeld(Bank $bank, array $revisions): ?string;
}
