<?php

declare(strict_types=1);

namespace Zetema\App\CommandLine;

use Symfony\Component\Console\Exception\InvalidArgumentException;
use Zetema\App\CommandLine\Files\QuestionFiles;
use Zetema\Core\Question\Question;

/** One question of a file, by its name or its 1-based number. */
final class OneQuestion
{
    /** @throws InvalidArgumentException if there is none */
    public static function of(QuestionFiles $texts, string $file, string $wanted): Question
    {
        $byNumber = null;
        foreach ($texts->questions([$file]) as $number => $question) {
            if ($question->name === $wanted) {
                return $question;
            }
            $byNumber = (string) $number === $wanted ? $question : $byNumber;
        }

        return $byNumber ??
            throw new InvalidArgumentException(
                sprintf('There is no question “%s” in %s; say --question=NAME or its number.', $wanted, $file),
            );
    }
}
