<?php

declare(strict_types=1);

namespace Zetema\Core\Blueprint\Rules;

/** What there is to say of a rule, once: the format, the reading of blueprints and the interface go by it. */
final readonly class RuleFacts
{
    /**
     * @param string $name what it is called where only its name is said
     * @param RuleLevel $level how far in it can be made
     * @param string $asks what whoever makes it is asked
     * @param array<int|string, string> $values as they are written, each with an author's words; the first counts where nothing is said;
     *   true and false where it is yes or no. None: it takes numbers, times or more
     */
    public function __construct(public string $name, public RuleLevel $level, public string $asks = '', public array $values = [])
    {
    }

    public function isFlag(): bool
    {
        return isset($this->values['true']);
    }

    /** What counts where nothing is said, as it is written. */
    public function silent(): string
    {
        return (string) array_key_first($this->values);
    }
}
