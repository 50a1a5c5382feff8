<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Feedback;

use Zetema\Core\Data\AuthorText;
use Zetema\Core\Data\Fields;
use Zetema\Core\Question\InvalidQuestion;
use Zetema\Core\Question\Line;
use Zetema\Core\Question\Points;
use Zetema\Core\Question\Problems;
use Zetema\Core\Question\Settings\InvalidSetting;
use Zetema\Core\Question\Settings\Setting;

/** A help that a candidate may open: from which attempt, after how many seconds, for what cost (null: the hint costs that are set). */
final readonly class Hint
{
    public string $text;

    /** @param int|null $id stable while the question is edited; null: its place */
    public function __construct(
        string $text,
        public int $fromAttempt = 1,
        public int $afterSeconds = 0,
        public ?Points $costs = null,
        public ?int $id = null,
    ) {
        $this->text = AuthorText::tidy($text);
        if ($this->text === '' || $fromAttempt < 1 || $afterSeconds < 0 || $costs?->isNegative() === true) {
            throw new InvalidQuestion('a hint has a text, an attempt from 1 and a cost of 0 or above', 'hint');
        }
    }

    public static function fromData(Fields $data): self
    {
        $costs = $data->optionalText('costs');

        // As typed on the screen it may be any time; stored it is seconds.
        $after = is_string($data->raw()['after'] ?? null) ? self::seconds($data->text('after')) : $data->integer('after', 0);

        return new self(
            $data->text('text'),
            $data->integer('fromAttempt', 1),
            $after,
            $costs === null ? null : Points::of($costs),
            $data->optionalInteger('id'),
        );
    }

    /** @return array<string, mixed> */
    public function toData(): array
    {
        return [
            ...$this->id === null ? [] : ['id' => $this->id],
            'text' => $this->text,
            ...$this->fromAttempt > 1 ? ['fromAttempt' => $this->fromAttempt] : [],
            ...$this->afterSeconds > 0 ? ['after' => $this->afterSeconds] : [],
            ...$this->costs !== null ? ['costs' => (string) $this->costs] : [],
        ];
    }

    public static function read(Line $line, Problems $problems): ?self
    {
        try {
            $after = $line->child('after');
            $seconds = $after === null ? 0 : self::seconds($after->text);
            $costs = $line->child('costs');

            return new self(
                $line->text,
                (int) ($line->child('from attempt')->text ?? 1),
                $seconds,
                $costs === null ? null : Points::of($costs->text),
            );
        } catch (InvalidQuestion|InvalidSetting $e) {
            $problems->at($line, $e->getMessage());

            return null;
        }
    }

    private static function seconds(string $typed): int
    {
        return in_array(mb_strtolower(trim($typed)), ['0', 'none'], true) ? 0 : Setting::duration($typed)->inSeconds();
    }

    public function toLine(): Line
    {
        return Line::written('hint', $this->text, [
            ...$this->fromAttempt > 1 ? [Line::written('from attempt', (string) $this->fromAttempt)] : [],
            ...$this->afterSeconds > 0 ? [Line::written('after', $this->afterSeconds . ' s')] : [],
            ...$this->costs !== null ? [Line::written('costs', (string) $this->costs)] : [],
        ]);
    }
}
