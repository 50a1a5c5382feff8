<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Feedback;

use Zetema\Core\Data\AuthorText;
use Zetema\Core\Data\Fields;
use Zetema\Core\Question\InvalidQuestion;
use Zetema\Core\Question\Line;

/** What a question says after an outcome: on any attempt, on one, or on the last. */
final readonly class OutcomeText
{
    public string $text;

    /** @param int|null $attempt 1 or above; null: any */
    public function __construct(public Outcome $outcome, string $text, public ?int $attempt = null, public bool $onLast = false)
    {
        $this->text = AuthorText::tidy($text);
    }

    public static function fromData(Fields $data): self
    {
        $outcome = Outcome::tryFrom($data->text('outcome')) ?? throw new InvalidQuestion('there is no such outcome', 'if');

        return new self($outcome, $data->text('text'), $data->optionalInteger('attempt'), $data->flag('onLast', false));
    }

    /** @return array<string, mixed> */
    public function toData(): array
    {
        return [
            'outcome' => $this->outcome->value,
            'text' => $this->text,
            ...$this->attempt !== null ? ['attempt' => $this->attempt] : [],
            ...$this->onLast ? ['onLast' => true] : [],
        ];
    }

    public static function read(Line $line): self
    {
        $attempt = $line->argument('attempt');

        return new self(
            Outcome::from($line->argument('outcome') ?? ''),
            $line->text,
            $attempt === null ? null : (int) $attempt,
            $line->has('last'),
        );
    }

    public function toLine(): Line
    {
        $when = $this->onLast ? ' on the last attempt' : ($this->attempt === null ? '' : ' on attempt ' . $this->attempt);

        return Line::written('if ' . $this->outcome->value . $when, $this->text);
    }
}
