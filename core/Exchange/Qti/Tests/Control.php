<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Qti\Tests;

use Zetema\Core\Exchange\Qti\Items\Building\ChoiceBuilding;
use Zetema\Core\Exchange\Qti\Listing;
use Zetema\Core\Exchange\Qti\Variables\Value;
use Zetema\Core\Exchange\Qti\Xml\Element;

/** What holds while items are asked, as far as a test says it: nearer parts of it go before those further out. */
final readonly class Control
{
    /** @param array<string, string> $says attributes of itemSessionControl */
    private function __construct(private array $says = [], public ?int $seconds = null, public bool $isLateMarked = false)
    {
    }

    public static function none(): self
    {
        return new self();
    }

    /** What an element of a test says itself, over what was said further out. A time is only the element's own. */
    public function within(Element $element, Listing $listing): self
    {
        $says = $this->says;
        $control = $element->child('itemSessionControl')?->take();
        foreach (['maxAttempts', 'allowSkipping', 'showFeedback', 'showSolution', 'allowReview'] as $name) {
            $said = $control?->attribute($name);
            $says = $said === null ? $says : [...$says, $name => $said];
        }
        foreach (['validateResponses', 'allowComment'] as $name) {
            if ($control !== null && $control->flag($name)) {
                $listing->unmatched($control, ChoiceBuilding::written($control, $name));
            }
        }
        $limits = $element->child('timeLimits')?->take();
        $most = Value::number($limits?->attribute('maxTime') ?? '');
        if ($limits?->attribute('minTime') !== null) {
            $listing->unmatched($limits, ChoiceBuilding::written($limits, 'minTime'));
        }

        return new self(
            $says,
            $most === null || !$most->isPositive() || $most->compareTo(1_000_000) > 0 ? null : (int) (string) $most->rounded(0),
            $limits?->flag('allowLateSubmission') ?? false,
        );
    }

    /** @return int 0: any number */
    public function attempts(): int
    {
        return preg_match('/^\d{1,3}$/', $this->says['maxAttempts'] ?? '') === 1 ? (int) $this->says['maxAttempts'] : 1;
    }

    public function says(string $name): ?bool
    {
        return isset($this->says[$name]) ? in_array($this->says[$name], ['true', '1'], true) : null;
    }

    /** @return array<string, string> as a question or a step says it, without what counts anyway */
    public function settings(bool $isSimultaneous): array
    {
        $attempts = $this->attempts();

        return [
            ...$attempts === 1 || $isSimultaneous ? [] : ['attempts' => $attempts === 0 ? 'unlimited' : (string) $attempts],
            ...$this->seconds === null ? [] : ['time' => $this->seconds . ' s'],
            ...$this->isLateMarked ? ['late' => 'marks'] : [],
        ];
    }
}
