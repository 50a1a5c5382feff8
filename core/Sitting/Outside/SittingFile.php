<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\Outside;

use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Numbers\Ratio;
use Zetema\Core\Question\Points;
use Zetema\Core\Question\Settings\InvalidSetting;
use Zetema\Core\Sitting\Run\Terms;
use Zetema\Core\Time\Instant;

/** One sitting as it is written down: whose form, under which terms, when it is looked at, and what was done. */
final readonly class SittingFile
{
    /**
     * @param Instant|null $now when it is looked at; null: at its last event
     * @param list<mixed> $events what is no act is refused when it is its turn
     */
    private function __construct(public mixed $id, public ?int $seed, public ?Instant $now, public Terms $terms, public array $events)
    {
    }

    /** @throws Malformed if it has another shape */
    public static function read(mixed $written): self
    {
        $data = Fields::of($written)->only('id', 'seed', 'now', 'factor', 'until', 'events');
        $id = $data->raw()['id'] ?? null;

        return new self(
            is_scalar($id) || $id === null ? $id : throw new Malformed('id', 'must be a text or a number'),
            $data->optionalInteger('seed'),
            self::moment($data, 'now'),
            new Terms(self::factor($data), self::moment($data, 'until')),
            $data->items('events'),
        );
    }

    private static function moment(Fields $data, string $field): ?Instant
    {
        return $data->has($field)
            ? Moment::read($data->raw()[$field]) ?? throw new Malformed($field, 'must be seconds in text, with at most 3 decimals')
            : null;
    }

    private static function factor(Fields $data): Ratio
    {
        try {
            $factor = Points::of($data->text('factor', '1'))->exact();
        } catch (InvalidSetting $e) {
            throw new Malformed('factor', $e->getMessage());
        }

        return $factor->compareTo(1) >= 0 ? $factor : throw new Malformed('factor', 'must be 1 or above');
    }
}
