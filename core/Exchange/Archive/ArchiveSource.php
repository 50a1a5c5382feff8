<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Archive;

use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Data\ToldToPeople;
use Zetema\Core\Exchange\Found;
use Zetema\Core\Exchange\Qti\Unmatched;
use Zetema\Core\Exchange\Report;
use Zetema\Core\Exchange\Source;
use Zetema\Core\Exchange\Zip\RefusedZip;
use Zetema\Core\Exchange\Zip\SafeZip;
use Zetema\Core\Question\Problem;
use Zetema\Core\Question\Question;
use Zetema\Core\Question\Status;

/** The questions and pages of an archive, for another bank; what belongs to a bank as a whole is told to stay behind. */
final class ArchiveSource implements Source
{
    /** @var list<Problem> */
    private array $problems = [];
    private ?Archive $archive = null;

    public function __construct(private readonly string $path)
    {
    }

    public function questions(): \Generator
    {
        try {
            $this->archive = new Archive(SafeZip::open($this->path));
            foreach ($this->archive->questions() as $number => $question) {
                yield self::found($number, $question);
            }
        } catch (RefusedZip|Malformed $e) {
            $this->problems[] = new Problem(1, 1, $e->getMessage());
        }
    }

    private static function found(int $number, Fields $data): Found
    {
        try {
            $status = Status::tryFrom($data->text('status')) ?? throw new Malformed('status', 'is none');

            return new Found(
                $number,
                $number,
                Question::fromData($data->object('content'), $data->optionalText('name'), $data->texts('objective'), $status),
                [],
            );
        } catch (ToldToPeople $e) {
            return new Found(
                $number,
                $number,
                null,
                [new Problem($number, 1, $e->getMessage(), file: ArchiveFormat::questions(intdiv($number - 1, ArchiveFormat::PIECE) + 1))],
                kept: json_encode($data->raw(), JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES),
            );
        }
    }

    public function report(): Report
    {
        $behind = [];
        foreach (
            [
                ...array_map(static fn (Fields $p): string => 'pool “' . $p->text('name') . '”', $this->archive?->pools() ?? []),
                ...array_map(static fn (Fields $b): string => 'blueprint “' . $b->text('title') . '”', $this->archive?->blueprints() ?? []),
            ] as $what
        ) {
            $behind[] = new Unmatched(ArchiveFormat::HEAD, $what . ', which comes with the whole bank', 1, ArchiveFormat::HEAD);
        }

        return new Report(
            $this->problems,
            $this->archive?->pages() ?? [],
            $this->archive?->bank,
            $this->archive?->settings,
            unmatched: $behind,
        );
    }
}
