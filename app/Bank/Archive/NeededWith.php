<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Archive;

use Zetema\App\Bank\Question\Question;
use Zetema\Core\Question\Mentions;

/**
 * What belongs to some of a bank's questions: their objectives with those above, and the pages, files and pools that are named in them or
 * in what is planned with them.
 */
final class NeededWith
{
    private readonly Mentions $mentions;
    /** @var array<string, true> */
    private array $objectives = [];
    /** @var array<string, true> */
    private array $named = [];

    public function __construct()
    {
        $this->mentions = new Mentions();
    }

    public function question(Question $question): void
    {
        $names = $question->objective()?->names() ?? [];
        for ($depth = 1; $depth <= count($names); ++$depth) {
            $this->objectives[implode("\n", array_slice($names, 0, $depth))] = true;
        }
        foreach (array_filter([$question->newest(), $question->cleared()]) as $revision) {
            $this->mentions->inQuestion($revision->content());
        }
        $this->mentions->inTexts($question->selfNote());
    }

    /** @param array<array-key, mixed> $planned a page and a pool are named in it by the whole of a value */
    public function planned(array $planned): void
    {
        array_walk_recursive($planned, function (mixed $value): void {
            if (is_string($value)) {
                $this->named[$value] = true;
            }
        });
        $this->mentions->inAnswers($planned);
    }

    /** A page that goes along: what it reads may need more. */
    public function page(string $reads): void
    {
        $this->mentions->inTexts($reads);
    }

    /** @param list<string> $names from the top */
    public function hasObjective(array $names): bool
    {
        return isset($this->objectives[implode("\n", $names)]);
    }

    public function hasPage(string $name): bool
    {
        return isset($this->named[$name]) || in_array($name, $this->mentions->pages(), true);
    }

    public function hasFile(string $name): bool
    {
        return isset($this->named[$name]) || in_array($name, $this->mentions->files(), true);
    }

    public function hasPool(string $name): bool
    {
        return isset($this->named[$name]);
    }
}
