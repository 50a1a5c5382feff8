<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Change;

use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Question\Texts\QuestionTexts;

/** One text put in place of another wherever an author's texts have it, each that the kind says it has. */
final readonly class Replacement
{
    private const LONGEST = 400;

    private function __construct(private string $find, private string $with, private bool $sameCase)
    {
    }

    /** @throws Malformed */
    public static function of(Fields $data): self
    {
        $data->only('find', 'with', 'sameCase');
        $find = $data->text('find');
        $with = $data->text('with', '');
        if ($find === '' || mb_strlen($find) > self::LONGEST || mb_strlen($with) > self::LONGEST) {
            throw new Malformed('replace', $find === '' ? 'needs a text to find' : sprintf('takes up to %d characters', self::LONGEST));
        }

        return new self($find, $with, $data->flag('sameCase', true));
    }

    /**
     * @template K of array-key
     *
     * @param array<K, mixed> $data a question's stored form
     *
     * @return array{array<K, mixed>, int} the same with the text replaced, and how often it was
     */
    public function in(array $data): array
    {
        $times = 0;
        $look = '/' . preg_quote($this->find, '/') . '/u' . ($this->sameCase ? '' : 'i');
        $data = QuestionTexts::replaced($data, function (string $text) use ($look, &$times): string {
            $became = preg_replace_callback($look, fn (): string => $this->with, $text, count: $found) ?? $text;
            $times += $found;

            return $became;
        });

        return [$data, $times];
    }

    public function inWords(): string
    {
        return $this->with === '' ? sprintf('“%s” taken out', $this->find) : sprintf('“%s” becomes “%s”', $this->find, $this->with);
    }
}
