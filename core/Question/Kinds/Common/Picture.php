<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Kinds\Common;

use Zetema\Core\Data\Fields;
use Zetema\Core\Question\InvalidQuestion;
use Zetema\Core\Question\Kinds\LineWord;
use Zetema\Core\Question\Line;
use Zetema\Core\Question\Problems;

/** The image of a question, its text alternative, and its size in pixels where it is known. */
final readonly class Picture
{
    /** A picture to be chosen yet, as data. */
    public const EMPTY = ['file' => '', 'shows' => ''];

    public function __construct(public string $file, public string $shows, public ?int $width = null, public ?int $height = null)
    {
    }

    /** @return list<LineWord> */
    public static function words(): array
    {
        return [LineWord::short('image'), LineWord::below('shows'), LineWord::below('size')];
    }

    public static function read(?Line $line, Line $opening, Problems $problems): self
    {
        if ($line === null) {
            $problems->at($opening, 'an `image:` line is missing');

            return new self('', '');
        }
        $size = $line->child('size');
        if ($size !== null && preg_match('/^([1-9]\d{0,4}) +([1-9]\d{0,4})$/', $size->text, $m) !== 1) {
            $problems->inText($size, 'a size is width and height in pixels: `size: 800 600`');
        }

        return new self(
            $line->text,
            $line->child('shows')->text ?? '',
            isset($m[1]) ? (int) $m[1] : null,
            isset($m[2]) ? (int) $m[2] : null,
        );
    }

    public static function fromData(Fields $data): self
    {
        return new self($data->text('file'), $data->text('shows', ''), $data->optionalInteger('width'), $data->optionalInteger('height'));
    }

    /** @return array<string, mixed> */
    public function toData(): array
    {
        return [
            'file' => $this->file,
            'shows' => $this->shows,
            ...$this->width === null ? [] : ['width' => $this->width, 'height' => $this->height],
        ];
    }

    public function toLine(): Line
    {
        return Line::written('image', $this->file, [
            ...$this->width === null ? [] : [Line::written('size', $this->width . ' ' . $this->height)],
            Line::written('shows', $this->shows),
        ]);
    }

    public function verify(): void
    {
        if ($this->file === '' || $this->shows === '') {
            throw new InvalidQuestion('a picture needs its file and, for those who cannot see it, a `shows:` line', 'image');
        }
    }

    /** Pixels are 0 to one below the width or height; where the size is not known all are taken. */
    public function has(int $x, int $y): bool
    {
        return $x >= 0 && $y >= 0 && ($this->width === null || $x < $this->width) && ($this->height === null || $y < $this->height);
    }
}
