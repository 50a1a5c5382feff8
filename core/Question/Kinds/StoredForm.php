<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Kinds;

use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Question\InvalidQuestion;
use Zetema\Core\Question\Settings\EffectiveSettings;

/** How the answers of a question are stored, and what is refused. */
interface StoredForm
{
    /** @throws Malformed */
    public static function fromData(Fields $data): self;

    /** @return array<string, mixed> its part of the stored form of a question */
    public function toData(): array;

    /**
     * Refuses what cannot be asked or marked.
     *
     * @throws InvalidQuestion
     */
    public function verify(EffectiveSettings $settings, string $stem): void;
}
