<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Qti\Items\Kinds;

use Zetema\Core\Exchange\Qti\Marks\Constants;
use Zetema\Core\Exchange\Qti\Marks\Marking;
use Zetema\Core\Exchange\Qti\Marks\Tried;
use Zetema\Core\Exchange\Qti\Variables\ResponseDeclaration;
use Zetema\Core\Exchange\Qti\Xml\Element;
use Zetema\Core\Exchange\Written\QuestionLines;
use Zetema\Core\Numbers\Ratio;

/** One field for words: wordings as the rules have them, with the share of the mark that each earns. */
final class TextItem extends TypedItem
{
    /** A word that nobody accepts. */
    public const NONSENSE = 'qzxjv';

    /** @var list<string> */
    private readonly array $wordings;
    /** @var list<Tried> */
    private array $tries;
    /** @var array<int, Ratio> share by wording, those that earn something, falling */
    private array $shares = [];
    /** @var array<int, bool> whether its case matters, of those where it could */
    private array $sensitive = [];

    public function __construct(
        private readonly string $stem,
        private readonly ResponseDeclaration $declaration,
        ?Element $rules,
        private readonly int $line,
    ) {
        $this->wordings = Constants::wordings($declaration, $rules);
        $this->tries = [new Tried([$declaration->identifier => null], null), $this->tried(self::NONSENSE, -1)];
        foreach ($this->wordings as $i => $wording) {
            array_push($this->tries, $this->tried($wording, $i + 1), $this->tried(self::otherCase($wording), $i + 1));
        }
    }

    private function tried(string $text, int $given): Tried
    {
        return new Tried(
            [$this->declaration->identifier => $this->declaration->value([$text])],
            ['text' => $text],
            $given < 0 ? [] : [$given],
        );
    }

    public static function otherCase(string $text): string
    {
        return mb_strtoupper($text) === $text ? mb_strtolower($text) : mb_strtoupper($text);
    }

    public function tries(): array
    {
        return $this->tries;
    }

    public function settle(array $marks): void
    {
        $earned = array_map(static fn (int $i): Ratio => $marks[2 + 2 * $i], array_keys($this->wordings));
        $most = array_reduce($earned, static fn (Ratio $a, Ratio $b): Ratio => $b->isGreaterThan($a) ? $b : $a, Ratio::zero());
        foreach ($most->isPositive() ? $earned : [] as $i => $mark) {
            if (!$mark->isPositive()) {
                continue;
            }
            $this->shares[$i] = $mark->dividedBy($most);
            $this->best ??= $mark->isEqualTo($most) ? 2 + 2 * $i : null;
            if (self::otherCase($this->wordings[$i]) !== $this->wordings[$i]) {
                $this->sensitive[$i] = !$marks[3 + 2 * $i]->isEqualTo($mark);
            }
        }
        uasort($this->shares, static fn (Ratio $a, Ratio $b): int => $b->compareTo($a));
    }

    /** Whether the case matters for some wordings and not for others, which ours cannot say. */
    public function isMixed(): bool
    {
        return count(array_unique($this->sensitive)) > 1;
    }

    public function parts(int $try): array
    {
        $isAnswer = $try > 1 && isset($this->shares[intdiv($try - 2, 2)]);

        return [(int) $isAnswer, (int) !$isAnswer];
    }

    public function lines(Marking $marking, array $says = []): QuestionLines
    {
        $lines = new QuestionLines('text', $this->stem, $this->line);
        $matters = in_array(true, $this->sensitive, true);
        $written = [];
        foreach ($marking->rule === 'none' ? [] : $this->shares as $i => $share) {
            $wording = $this->wordings[$i];
            $same = $matters ? $wording : mb_strtolower($wording);
            if (!isset($written[$same])) {
                $lines->add(
                    'answer' . NumberItem::head($share),
                    $wording,
                    isset($says[$i + 1]) ? [$lines->line('says', $says[$i + 1])] : [],
                );
            }
            $written[$same] = true;
        }
        if ($matters) {
            $lines->add('ignore', 'nothing');
        }

        return $lines;
    }
}
