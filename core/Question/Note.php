<?php

declare(strict_types=1);

namespace Zetema\Core\Question;

use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Text;

/** Something said when a choice was made, or was not, on any attempt or on one. */
final readonly class Note
{
    public string $text;

    /** @param int $choice its number in the order written, from 1 */
    public function __construct(public int $choice, public bool $chosen, string $text, public ?int $attempt = null)
    {
        $this->text = Text::tidy($text);
    }

    public static function fromData(Fields $data): self
    {
        return new self($data->integer('choice'), $data->flag('chosen'), $data->text('text'), $data->optionalInteger('attempt'));
    }

    /** @return array<string, mixed> */
    public function toData(): array
    {
        return ['choice' => $this->choice, 'chosen' => $this->chosen, 'text' => $this->text, ...($this->attempt !== null ? ['attempt' => $this->attempt] : [])];
    }

    public static function read(Line $line): self
    {
        $attempt = $line->argument('attempt');

        return new self((int) $line->argument('choice'), !$line->has('not'), $line->text, $attempt === null ? null : (int) $attempt);
    }

    public function toLine(): Line
    {
        $head = sprintf('note when %schosen %d%s', $this->chosen ? '' : 'not ', $this->choice, $this->attempt === null ? '' : ' on attempt ' . $this->attempt);

        return Line::written($head, $this->text);
    }
}
