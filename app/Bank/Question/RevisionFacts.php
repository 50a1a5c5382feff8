<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Question;

use Zetema\App\Bank\Objective\Objective;
use Zetema\Core\Marking\Plan\MarkingPlan;
use Zetema\Core\Proofreading\Proofreader;
use Zetema\Core\Question as Core;
use Zetema\Core\Question\Settings\BankSettings;

/** What follows from a question's text and its bank's settings: what stands in the columns of its revision. */
final readonly class RevisionFacts
{
    /**
     * @param array<string, mixed> $content
     * @param array{field: string|null, message: string}|null $problem why it is not whole yet
     * @param list<string> $tags
     */
    private function __construct(
        public array $content,
        public ?array $problem,
        public ?string $objectivePath,
        public string $kind,
        public ?string $difficulty,
        public array $tags,
        public string $worth,
        public ?int $keyPlace,
    ) {
    }

    /** @param list<string>|null $objective where it stands; null: as the question says */
    public static function of(Core\Sketch $sketch, ?array $objective, BankSettings $bank): self
    {
        $question = $sketch->question;
        $settings = $question?->effective($bank);
        $path = $objective ?? ($question->objective ?? []);

        return new self(
            $sketch->data,
            $sketch->problem,
            $path === [] ? null : implode(Objective::SEPARATOR, $path),
            $sketch->kind()->value,
            $question?->difficulty?->value,
            $question->tags ?? [],
            $question === null || $settings === null ? '0' : (string) MarkingPlan::of($question, $settings)->max(),
            $question === null || $settings === null ? null : Proofreader::keyPlace($question, $settings),
        );
    }
}
