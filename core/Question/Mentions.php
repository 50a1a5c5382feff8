<?php

declare(strict_types=1);

namespace Zetema\Core\Question;

use Zetema\Core\Question\Texts\QuestionText;
use Zetema\Core\Question\Texts\QuestionTexts;

/**
 * Which pages and files the texts of an author mention. A view collects them while it is built, from what it tells of an author's
 * texts and from nothing else: what a candidate typed mentions nothing.
 */
final class Mentions
{
    /** @var array<array-key, true> */
    private array $pages = [];
    /** @var array<array-key, true> */
    private array $files = [];

    /** A page that is shown as a whole. */
    public function page(?string $name): void
    {
        if ($name !== null) {
            $this->pages[$name] = true;
        }
    }

    public function inTexts(?string ...$texts): void
    {
        foreach ($texts as $text) {
            preg_match_all('/\(page:((?:[^()\s"]|\([^()\s"]*\))+)\)/', $text ?? '', $pages);
            preg_match_all('/!\[(?:[^\]\\\\]|\\\\.)*\]\(\s*<?([^\s()<>"]+)/u', $text ?? '', $files);
            foreach ($pages[1] as $name) {
                $this->pages[rawurldecode($name)] = true;
            }
            foreach ($files[1] as $name) {
                $this->files[rawurldecode($name)] = true;
            }
        }
    }

    /** @param array<array-key, mixed> $data a question's stored form */
    public function inQuestion(array $data): void
    {
        $this->picture($data);
        $this->inTexts(...array_map(static fn (QuestionText $text): string => $text->text, QuestionTexts::of($data)));
    }

    /** @param array<array-key, mixed> $answers of a question, as a page is told of them: all their texts are an author's */
    public function inAnswers(array $answers): void
    {
        $this->picture($answers);
        array_walk_recursive($answers, fn (mixed $text) => is_string($text) ? $this->inTexts($text) : null);
    }

    /** @param array<array-key, mixed> $data */
    private function picture(array $data): void
    {
        $picture = $data['picture'] ?? null;
        if (is_array($picture) && is_string($picture['file'] ?? null)) {
            $this->files[$picture['file']] = true;
        }
    }

    /** @return list<string> names, whole */
    public function pages(): array
    {
        return self::names($this->pages);
    }

    /** @return list<string> names, whole */
    public function files(): array
    {
        return self::names($this->files);
    }

    /**
     * @param array<array-key, true> $named
     *
     * @return list<string>
     */
    private static function names(array $named): array
    {
        return array_values(
            array_filter(array_map(strval(...), array_keys($named)), static fn (string $name): bool => mb_check_encoding($name, 'UTF-8')),
        );
    }
}
