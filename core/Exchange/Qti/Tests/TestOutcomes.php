<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Qti\Tests;

use Zetema\Core\Exchange\Qti\Listing;
use Zetema\Core\Exchange\Qti\Texts\Flow;
use Zetema\Core\Exchange\Qti\Variables\Value;
use Zetema\Core\Exchange\Qti\Xml\Element;
use Zetema\Core\Exchange\TextFormat\Page;

/** What a test makes of the scores of its items: their sum, the pass mark, what is said at the end. */
final class TestOutcomes
{
    private readonly ?Element $rules;
    /** @var array{string, string}|null points or percent, and how many */
    private ?array $mark = null;
    /** The variable that says whether it was passed. */
    private ?string $passed = null;

    public function __construct(private readonly Element $root, private readonly Listing $listing)
    {
        $this->rules = $root->child('outcomeProcessing')?->takeWhole();
        foreach ($root->children('outcomeDeclaration') as $declaration) {
            $mastery = Value::number($declaration->attribute('masteryValue') ?? '');
            if ($mastery !== null && $declaration->attribute('identifier') === 'SCORE') {
                $this->mark = ['points', (string) $mastery->decimal()];
            }
        }
        $explained = true;
        foreach ($this->rules?->children() ?? [] as $rule) {
            $explained =
                ($rule->name === 'setOutcomeValue' && $this->isSum($rule->child())) ||
                ($rule->name === 'outcomeCondition' && $this->passes($rule))
                    ? $explained
                    : false;
        }
        if (!$explained && $this->rules !== null) {
            $listing->unmatched($this->rules);
        }
    }

    /** Whether the weights of references count. */
    public function weights(): bool
    {
        return array_filter(
            $this->rules?->below('testVariables') ?? [],
            static fn (Element $v): bool => $v->attribute('weightIdentifier') !== null,
        ) !== [];
    }

    private function isSum(?Element $e): bool
    {
        return $e !== null &&
            ($e->name === 'sum'
                ? array_filter(
                    $e->children(),
                    static fn (Element $c): bool => !in_array($c->name, ['testVariables', 'outcomeMaximum'], true),
                ) === []
                : in_array($e->name, ['testVariables', 'outcomeMaximum'], true));
    }

    /** A condition that compares the score with a number, or its share of what can be reached. */
    private function passes(Element $condition): bool
    {
        $if = $condition->child('outcomeIf');
        $compared = $if?->child('gte');
        $parts = $compared?->children() ?? [];
        if ($if === null || count($parts) !== 2 || $if->child('setOutcomeValue') === null) {
            return false;
        }
        [$left, $right] = $parts;
        $this->passed = $if->child('setOutcomeValue')->attribute('identifier');
        // The score is at least so much of what can be reached.
        if ($right->name === 'product') {
            $share = Value::number(trim($right->child('baseValue')?->text() ?? ''));
            $this->mark = $share === null ? $this->mark : ['percent', (string) $share->multipliedBy(100)->decimal()];

            return $share !== null;
        }
        $number = $right->name === 'baseValue' ? Value::number(trim($right->text())) : null;
        if ($number === null || !in_array($left->name, ['divide', 'variable', 'sum', 'testVariables'], true)) {
            return false;
        }
        $this->mark =
            $left->name === 'divide'
                ? ['percent', (string) $number->multipliedBy(100)->decimal()]
                : ['points', (string) $number->decimal()];

        return true;
    }

    /** @return array<string, string>|null */
    public function pass(): ?array
    {
        return $this->mark === null || $this->mark[1] === '' ? null : [$this->mark[0] => $this->mark[1]];
    }

    /**
     * Feedback on the whole that goes by whether it was passed; any other has no counterpart.
     *
     * @return array{array<string, string>, list<Page>} names of pages, and the pages
     */
    public function closing(Flow $flow): array
    {
        $closing = $pages = [];
        foreach ($this->root->children('testFeedback') as $feedback) {
            $value = $feedback->attribute('identifier') ?? '';
            if (
                $this->passed === null ||
                $feedback->attribute('outcomeIdentifier') !== $this->passed ||
                !in_array($value, ['true', 'false'], true)
            ) {
                continue;
            }
            array_map($feedback->attribute(...), ['access', 'showHide']);
            $isPassed = ($value === 'true') === (($feedback->attribute('showHide') ?? 'show') === 'show');
            $name = $this->listing->item . ($isPassed ? ' passed' : ' not passed');
            $pages[] = new Page($name, $feedback->attribute('title'), $flow->blocks($feedback));
            $closing[$isPassed ? 'passed' : 'not passed'] = $name;
        }

        return [$closing, $pages];
    }
}
