<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\TypedPaper;

use Zetema\Core\Exchange\TypedPaper\Lines\Marks;
use Zetema\Core\Exchange\TypedPaper\Lines\PaperLine;

/** What the lines below a line of a paper say about it. */
final readonly class Ahead
{
    /** How far a question's answers are looked for. */
    private const FAR = 60;

    /** @var array<int, int> where the paragraph of unmarked lines ends that a line is of */
    private array $ends;

    /** @param list<PaperLine> $lines */
    public function __construct(private array $lines)
    {
        $ends = array_fill(0, count($lines), 0);
        for ($i = count($lines) - 1; $i >= 0; --$i) {
            $next = $lines[$i + 1] ?? null;
            $ends[$i] =
                $next !== null && !$next->afterBlank && !$next->opensParagraph && Marks::isUnmarked($next) ? $ends[$i + 1] ?? $i : $i;
        }
        $this->ends = $ends;
    }

    /** Whether choices from A on, or an answer line, stand at a line; with bullets also those that have a mark or an answer line. */
    public function answersFollow(int $i, bool $withBullets = true): bool
    {
        $line = $this->lines[$i] ?? null;
        if ($line === null || $this->isStemAfterAll($i)) {
            return false;
        }
        $letter = $line->look()->letter;
        if ($letter !== null) {
            return $letter === 'A' && $this->lettersFollow($i);
        }
        $word = $line->look()->word ?? '';
        if (explode(' ', $word)[0] === 'answer' || $word === 'order') {
            return preg_match('/^(?:answers|key|keys|answer key|solutions)\s*:?$/i', $line->text()) !== 1;
        }

        return $withBullets && $line->look()->isBullet && $this->isMarkedList($i);
    }

    /** Whether a paragraph without a number opens a question at a line. */
    public function opensUnnumbered(int $i): bool
    {
        $end = $this->ends[$i];

        return Marks::answerBehind($this->lines[$end]->styled) !== null || $this->answersFollow($end + 1);
    }

    /**
     * Whether a paragraph that begins as an answer or a choice does ("Key: what is it?", "A. mellifera is which bee?") asks something,
     * since
     * choices from A on follow it, or what it begins with is an answer and another one follows.
     */
    public function isStemAfterAll(int $i): bool
    {
        $line = $this->lines[$i] ?? null;
        $look = $line?->look();
        $isAnswer = explode(' ', $look->word ?? '')[0] === 'answer';
        if (
            $line === null ||
            !($line->afterBlank || $line->opensParagraph || $i === 0) ||
            (!$isAnswer && ($look->letter ?? null) === null)
        ) {
            return false;
        }
        $end = $this->ends[$i];
        $next = $this->lines[$end + 1] ?? null;
        $last = $this->lines[$end]->text();
        if ($next === null || (!$isAnswer && preg_match('/^\p{L}\.\s/u', $line->text()) !== 1)) {
            return false;
        }

        return ($next->look()->letter === 'A' && preg_match('/[?:…_]["”)\]]*\s*$/u', $last) === 1 && $this->lettersFollow($end + 1)) ||
            ($isAnswer &&
                explode(' ', $next->look()->word ?? '')[0] === 'answer' &&
                preg_match('/(?:\S+\s+){3}\S+[.!?:…_]["”)\]]*\s*$/u', $last) === 1);
    }

    /** Whether another letter stands below the one at a line, or behind it, before the next question. */
    public function lettersFollow(int $i): bool
    {
        $first = Marks::letter($this->lines[$i]);
        if ($first === null) {
            return false;
        }
        if (Choices::cuts($this->lines[$i]->styled) !== []) {
            return true;
        }
        for ($j = $i + 1; $j < $i + self::FAR && isset($this->lines[$j]); ++$j) {
            $look = $this->lines[$j]->look();
            if ($look->letter !== null) {
                return true;
            }
            if ($look->isNumber || $this->lines[$j]->rank > 0) {
                return false;
            }
        }

        return false;
    }

    /** Whether at least two bullets stand here, the one at a line among them, and no letters below them. */
    public function isBulletList(int $i): bool
    {
        $bullets = 0;
        for ($j = $i; isset($this->lines[$j]) && $j < $i + self::FAR && !$this->lines[$j]->look()->isNumber; ++$j) {
            if ($this->lines[$j]->look()->letter !== null) {
                return false;
            }
            $bullets += $this->lines[$j]->look()->isBullet ? 1 : 0;
        }

        return $bullets > 1;
    }

    private function isMarkedList(int $i): bool
    {
        $marked = $bullets = 0;
        for ($j = $i; isset($this->lines[$j]) && $j < $i + self::FAR && ($bullet = Marks::bullet($this->lines[$j])) !== null; ++$j) {
            ++$bullets;
            $marked += Choices::mark($bullet->rest)[1] !== null || $bullet->sign === '*' ? 1 : 0;
        }

        return $bullets > 1 && (($marked > 0 && $marked < $bullets) || $this->answersFollow($j, withBullets: false));
    }

    /** The text below that goes on with a stem. */
    public function stemFrom(int $i): string
    {
        $text = '';
        for (
            $j = $i;
            isset($this->lines[$j]) && $j < $i + 6 && Marks::isUnmarked($this->lines[$j]) && !$this->lines[$j]->afterBlank;
            ++$j
        ) {
            $text .= $this->lines[$j]->text() . "\n";
        }

        return $text;
    }

    /** Whether an answer below gives an order by its very word, before the next question. */
    public function isOrdered(int $i): bool
    {
        for ($j = $i; isset($this->lines[$j]) && $j < $i + self::FAR; ++$j) {
            $line = $this->lines[$j];
            if ($line->look()->word === 'order') {
                return true;
            }
            if ($line->rank > 0 || ($line->afterBlank && $line->look()->isNumber && $j > $i) || $line->look()->word === 'answer') {
                return false;
            }
        }

        return false;
    }

    /** Whether a question or a heading stands at a line. */
    public function somethingOpensAt(int $i, int $deep = 0): bool
    {
        $line = $this->lines[$i] ?? null;
        if ($line === null) {
            return false;
        }

        return $line->look()->isNumber ||
            preg_match('/^q\s*:/ui', $line->text()) === 1 ||
            Heading::of($line, $this->lines[$i + 1] ?? null, false) !== null ||
            $this->isStemAfterAll($i) ||
            (Marks::isUnmarked($line) &&
                ($this->opensUnnumbered($i) ||
                    (($line->afterBlank || $line->opensParagraph) &&
                        $deep < 3 &&
                        $this->isLoud($line) &&
                        $this->somethingOpensAt($i + 1, $deep + 1))));
    }

    private function isLoud(PaperLine $line): bool
    {
        return preg_match('/^[^\p{Ll}]+(?:[(\[][^)\]]*[)\]])?$/u', $line->text()) === 1 || $line->styled->isWhollyMarked();
    }
}
