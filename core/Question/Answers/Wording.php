<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Answers;

use Zetema\Core\Data\AuthorText;
use Zetema\Core\Data\Fields;
use Zetema\Core\Question\Line;
use Zetema\Core\Question\Settings\Share;

/** An accepted wording of a short text, or a pattern: `*` any run, `?` one character, a backslash takes their meaning away. */
final readonly class Wording
{
    public string $text;
    public ?string $says;

    /** @param int|null $id stable while the question is edited; null: its place */
    public function __construct(
        string $text,
        public Share $share,
        public bool $isPattern = false,
        ?string $says = null,
        public ?int $id = null,
    ) {
        $this->text = AuthorText::line($text);
        $says = AuthorText::tidy($says ?? '');
        $this->says = $says === '' ? null : $says;
    }

    public static function fromData(Fields $data): self
    {
        return new self(
            $data->text('text'),
            Share::ofPercent($data->text('share', '100')),
            $data->flag('pattern', false),
            $data->optionalText('says'),
            $data->optionalInteger('id'),
        );
    }

    /** @return array<string, mixed> */
    public function toData(): array
    {
        return array_filter(
            [
                'id' => $this->id,
                'text' => $this->text,
                'share' => $this->share->isWhole() ? null : (string) $this->share->percent,
                'pattern' => $this->isPattern ? true : null,
                'says' => $this->says,
            ],
            static fn (mixed $value): bool => $value !== null,
        );
    }

    public function toLine(): Line
    {
        $head = ($this->isPattern ? 'pattern' : 'answer') . $this->share->inHead();

        return Line::written($head, $this->text, $this->says === null ? [] : [Line::written('says', $this->says)]);
    }
}
