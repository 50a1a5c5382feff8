<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Change;

use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Malformed;

/** One text put in place of another wherever an author's texts have it: stem, answers, what is said, hints. */
final readonly class Replacement
{
    private const LONGEST = 400;
    /** Where texts stand in a question's stored form; settings, names of files and numbers are not among them. */
    private const FIELDS = ['stem', 'text', 'says', 'with', 'shows', 'groups', 'spares'];

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
     * @param array<K, mixed> $data a question's stored form, or a part of it
     *
     * @return array{array<K, mixed>, int} the same with the text replaced, and how often it was
     */
    public function in(array $data, bool $isText = false): array
    {
        $times = 0;
        $isPattern = ($data['pattern'] ?? false) === true;
        foreach ($data as $key => $value) {
            $here = $isText && is_int($key) || in_array($key, self::FIELDS, true) && !($isPattern && $key === 'text');
            if (is_array($value) && $key !== 'settings') {
                [$data[$key], $more] = $this->in($value, $here);
                $times += $more;
            } elseif (is_string($value) && $here) {
                $data[$key] = preg_replace_callback('/' . preg_quote($this->find, '/') . '/u' . ($this->sameCase ? '' : 'i'), fn (): string => $this->with, $value, count: $found) ?? $value;
                $times += $found;
            }
        }

        return [$data, $times];
    }

    public function inWords(): string
    {
        return $this->with === '' ? sprintf('“%s” taken out', $this->find) : sprintf('“%s” becomes “%s”', $this->find, $this->with);
    }
}
