<?php

declare(strict_types=1);

namespace Zetema\App\Intake;

use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Exchange\Encoding;
use Zetema\Core\Exchange\Recognition;
use Zetema\Core\Exchange\Source;
use Zetema\Core\Exchange\SourceFormat;
use Zetema\Core\Exchange\Table\Mapping;
use Zetema\Core\Exchange\Table\TableSource;
use Zetema\Core\Exchange\TextFormat\TextSource;
use Zetema\Core\Exchange\TypedPaper\PaperSource;

/** A text of questions that somebody brings, and as what it is to be read. */
final readonly class Brought
{
    /** Bytes of text that are read at once. */
    public const LONGEST = 4_000_000;

    /** @param array<int, string> $again what becomes of questions that the bank has, by the line each opens at: "revise" or "another" */
    private function __construct(
        public string $text,
        public SourceFormat $format,
        private ?Mapping $mapping,
        public Given $given,
        public array $again,
        private Fields $body,
    ) {
    }

    /**
     * @param Fields $body {text, as: text | paper | table, or null: as it looks, mapping: as Mapping has it, given: as Given has it}
     *
     * @throws Malformed
     */
    public static function of(Fields $body): self
    {
        $text = $body->text('text');
        if (strlen($text) > self::LONGEST) {
            throw new Malformed(
                'text',
                sprintf(
                    'has %.1f MB; up to %d MB can be read at once, so bring it in as several files',
                    strlen($text) / 1e6,
                    intdiv(self::LONGEST, 1_000_000),
                ),
            );
        }
        $as = $body->optionalText('as');
        $format = $as === null ? Recognition::of($text) : SourceFormat::tryFrom($as);
        if (!in_array($format, [SourceFormat::Text, SourceFormat::Paper, SourceFormat::Table], true)) {
            throw new Malformed('as', 'must be text, paper or table');
        }
        $mapping = $body->optionalObject('mapping');

        return new self(
            $text,
            $format,
            $mapping === null ? null : Mapping::of($mapping),
            Given::of($body->optionalObject('given') ?? Fields::of([])),
            self::again($body),
            $body,
        );
    }

    /** @return array<int, string> */
    private static function again(Fields $body): array
    {
        $again = [];
        foreach ($body->textMap('again') as $line => $what) {
            $again[(int) $line] = in_array($what, ['revise', 'another'], true)
                ? $what
                : throw new Malformed('again', 'must be revise or another');
        }

        return $again;
    }

    /** Its questions as the kind they are given. */
    public function source(): Source
    {
        return $this->given->asked($this->plain());
    }

    /** As it is written. */
    public function plain(): Source
    {
        return match ($this->format) {
            SourceFormat::Paper => new PaperSource($this->text, Encoding::Utf8, false),
            SourceFormat::Table => TableSource::ofLines($this->text, $this->mapping),
            SourceFormat::Text, SourceFormat::Qti, SourceFormat::Archive => new TextSource($this->text),
        };
    }

    /** @return array<string, mixed> for a job that goes on with it */
    public function toData(): array
    {
        return [
            'text' => $this->text,
            'as' => $this->format->value,
            'mapping' => $this->body->optionalObject('mapping')?->raw(),
            'given' => $this->given->toData(),
            'again' => (object) $this->again,
        ];
    }
}
