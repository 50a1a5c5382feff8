<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Qti\Items\Kinds;

/** One gap: wordings that may be typed, or a list to pick from. */
final readonly class GapPart
{
    /**
     * @param list<array{token: string, text: string}> $words what the item calls each, and how it reads
     * @param string|null $correct the token that is declared to be right
     */
    public function __construct(public bool $isListed, public array $words, private ?string $correct)
    {
    }

    public function right(): ?string
    {
        return $this->correct ?? ($this->isListed ? null : $this->words[0]['token'] ?? null);
    }

    public function wrong(): ?string
    {
        if (!$this->isListed) {
            return TextItem::NONSENSE;
        }
        foreach ($this->words as ['token' => $token]) {
            if ($token !== $this->right()) {
                return $token;
            }
        }

        return null;
    }
}
