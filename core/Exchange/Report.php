<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange;

use Zetema\Core\Exchange\Qti\Tests\Assessment;
use Zetema\Core\Exchange\Qti\Unmatched;
use Zetema\Core\Exchange\TextFormat\Page;
use Zetema\Core\Question\Problem;
use Zetema\Core\Question\Settings\BankSettings;

/** What a source has beside its questions, known when all of them were read. */
final readonly class Report
{
    public BankSettings $bankSettings;

    /**
     * @param list<Problem> $problems that belong to no question
     * @param list<Page> $pages
     * @param list<Aside> $aside
     * @param list<string> $unread headings that nothing takes
     * @param list<Unmatched> $unmatched what of a package has no counterpart here
     * @param list<Assessment> $assessments its tests
     */
    public function __construct(
        public array $problems = [],
        public array $pages = [],
        public ?string $bank = null,
        ?BankSettings $bankSettings = null,
        public array $aside = [],
        public array $unread = [],
        public Encoding $encoding = Encoding::Utf8,
        public array $unmatched = [],
        public array $assessments = [],
    ) {
        $this->bankSettings = $bankSettings ?? BankSettings::none();
    }
}
