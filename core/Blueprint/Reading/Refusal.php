<?php

declare(strict_types=1);

namespace Zetema\Core\Blueprint\Reading;

/** Why a blueprint is refused: at which step or section, about what, in words. */
final readonly class Refusal implements \JsonSerializable
{
    public const BLUEPRINT = 'blueprint';

    /** @param string $where a step's or section's id, or "blueprint" */
    public function __construct(public string $where, public string $subject, public string $message)
    {
    }

    /** @return array{where: string, subject: string, message: string} */
    public function jsonSerialize(): array
    {
        return ['where' => $this->where, 'subject' => $this->subject, 'message' => $this->message];
    }
}
