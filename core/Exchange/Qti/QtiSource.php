<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Qti;

use Zetema\Core\Exchange\Found;
use Zetema\Core\Exchange\Qti\Items\ItemReader;
use Zetema\Core\Exchange\Qti\Items\ReadItem;
use Zetema\Core\Exchange\Qti\Xml\Element;
use Zetema\Core\Exchange\Qti\Xml\RefusedXml;
use Zetema\Core\Exchange\Qti\Xml\XmlFile;
use Zetema\Core\Exchange\Report;
use Zetema\Core\Exchange\Source;
use Zetema\Core\Exchange\TextFormat\Page;
use Zetema\Core\Question\Problem;
use Zetema\Core\Question\Question;

/** One item of the standard, by itself. */
final class QtiSource implements Source
{
    public const NAMESPACES = [
        'http://www.imsglobal.org/xsd/imsqti_v2p1',
        'http://www.imsglobal.org/xsd/imsqti_v2p2',
        'http://www.imsglobal.org/xsd/imsqtiasi_v3p0',
    ];

    /** @var list<Problem> that belong to no question */
    private array $problems = [];
    /** @var list<Page> */
    private array $pages = [];
    /** @var list<Unmatched> */
    private array $unmatched = [];

    public function __construct(private readonly string $bytes, private readonly string $file)
    {
    }

    public function questions(): \Generator
    {
        try {
            $root = self::root($this->bytes);
            if ($root->name !== 'assessmentItem') {
                throw new RefusedXml(
                    sprintf('%s needs its package; by itself only an assessmentItem can be read', $root->written),
                    $root->line,
                );
            }
        } catch (RefusedXml $e) {
            $this->problems[] = new Problem($e->atLine, 1, $e->getMessage(), file: $this->file);

            return;
        }
        $read = ItemReader::read($root, $this->file);
        $found = self::found($read);
        $this->unmatched = $read->listing->allUnmatched();
        if ($read->page !== null) {
            $this->pages[] = $read->page;
        }
        $this->problems = $found === null ? self::problemsOf($read) : [];
        if ($found !== null) {
            yield $found;
        }
    }

    /** @throws RefusedXml unless it is of a version that is read */
    public static function root(string $bytes): Element
    {
        $root = XmlFile::root($bytes);
        if (!in_array($root->namespace, self::NAMESPACES, true)) {
            throw new RefusedXml(
                $root->namespace === ''
                    ? sprintf('%s has no namespace; QTI 2.1, 2.2 and 3.0 are read', $root->written)
                    : sprintf('%s is of the namespace “%s”; QTI 2.1, 2.2 and 3.0 are read', $root->written, $root->namespace),
                $root->line,
            );
        }

        return $root;
    }

    /**
     * The question of an item that has one, or had one but for its problems; what does not keep it from being one stays with it.
     *
     * @param array<string, true> $taken names of earlier ones
     * @param list<string> $objective
     */
    public static function found(ReadItem $read, array $taken = [], array $objective = []): ?Found
    {
        if ($read->lines === null) {
            return $read->isBroken ? new Found($read->line, $read->line, null, self::problemsOf($read)) : null;
        }
        $made = $read->lines->make($objective, $taken);
        if ($made instanceof Question) {
            return new Found($read->line, $read->line, $made, self::problemsOf($read));
        }
        $inFile = array_map(
            static fn (Problem $p): Problem => new Problem($p->line, $p->column, $p->message, file: $read->listing->file),
            $made,
        );

        return new Found($read->line, $read->line, null, [...self::problemsOf($read), ...$inFile]);
    }

    /** @return list<Problem> */
    public static function problemsOf(ReadItem $read): array
    {
        return array_map(
            static fn (Problem $p): Problem => new Problem($p->line, $p->column, $p->message, file: $read->listing->file),
            $read->listing->allProblems(),
        );
    }

    public function report(): Report
    {
        return new Report($this->problems, $this->pages, unmatched: $this->unmatched);
    }
}
