<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Kinds\Claim;

use Zetema\Core\Data\ToldToPeople;
use Zetema\Core\Question\Answers\Choice;
use Zetema\Core\Question\InvalidQuestion;
use Zetema\Core\Question\Kinds\Common\ChoiceKind;
use Zetema\Core\Question\Kinds\KindFacts;
use Zetema\Core\Question\Kinds\KindId;
use Zetema\Core\Question\Kinds\LineWord;
use Zetema\Core\Question\Kinds\ListOrder;
use Zetema\Core\Question\Line;
use Zetema\Core\Question\Points;
use Zetema\Core\Question\Problems;
use Zetema\Core\Question\Response\ResponseForm;
use Zetema\Core\Question\Settings\EffectiveSettings;
use Zetema\Core\Question\Settings\Setting;
use Zetema\Core\Question\Settings\Settings;

/** True or false. Choice 1 is the affirmative; the two words can be changed; never shuffled unless asked. */
final readonly class Claim extends ChoiceKind
{
    private const WORDS = ['true', 'false'];

    public static function id(): KindId
    {
        return KindId::Claim;
    }

    public static function facts(): KindFacts
    {
        return new KindFacts(
            names: ['claim', 'true or false'],
            opening: self::WORDS,
            words: [LineWord::short('words'), LineWord::short('weight')->with('weight (?<which>true|false)', 'weight true')],
            line: 'answer',
            how: 'Does this hold?',
            form: ResponseForm::Choices,
            field: 'choose',
            lists: ['choices'],
            texts: self::TEXTS,
            empty: [
                'choices' => [['id' => 1, 'text' => self::WORDS[0], 'key' => true], ['id' => 2, 'text' => self::WORDS[1], 'key' => false]],
            ],
            template: "true: {A statement that is true, or false: then begin the line so.}\n",
            listOrder: ListOrder::ShuffledIfSet,
            rules: ['whole', 'weighed'],
            settings: [Setting::Shuffle, Setting::Layout],
            notFromEvery: [Setting::Shuffle],
            isPartly: false,
            choosesOne: true,
            isStatement: true,
            stemHint: 'A statement that is true or false',
        );
    }

    /** Its two words give nothing away. */
    public function keyTexts(): array
    {
        return [];
    }

    public static function read(Line $opening, array $parts, Settings $own, Problems $problems): self
    {
        $names = self::WORDS;
        $weights = [];
        foreach ($parts as $part) {
            if ($part->word === 'weight') {
                try {
                    $weights[$part->argument('which') ?? ''] = Points::of($part->text);
                } catch (ToldToPeople $e) {
                    $problems->inText($part, $e->getMessage());
                }
                continue;
            }
            $names = array_map(trim(...), explode(',', $part->text));
            if (count($names) !== 2 || in_array('', $names, true)) {
                $problems->inText($part, 'two words are wanted, the affirmative first: “words: holds, does not hold”');
                $names = self::WORDS;
            }
        }
        $key = $own->isKeyless() ? '' : $opening->word;
        $choices = [];
        foreach (self::WORDS as $i => $word) {
            $choices[] = new Choice($i + 1, $names[$i], $word === $key, $weights[$word] ?? null);
        }

        return new self($choices);
    }

    public function verify(EffectiveSettings $settings, string $stem): void
    {
        parent::verify($settings, $stem);
        foreach ($this->choices as $choice) {
            if (count($this->choices) !== 2 || preg_match('/[,\n]/', $choice->text) === 1) {
                throw new InvalidQuestion('two words are wanted, without commas', 'words');
            }
            if ($choice->says !== null || $choice->pinned || $choice->tallies !== [] || $choice->leadsTo !== null) {
                throw new InvalidQuestion('its two words say nothing of their own; “if right:” and “if wrong:” do', 'says');
            }
        }
        if (count($this->keys()) > 1) {
            throw new InvalidQuestion('a claim is either true or false', 'true');
        }
    }

    public function toLines(string $stem): array
    {
        [$affirmative, $negative] = [$this->choices[0] ?? null, $this->choices[1] ?? null];
        $lines = [Line::written($affirmative?->isKey === true ? 'true' : 'false', $stem)];
        $names = array_map(static fn (Choice $c): string => $c->text, $this->choices);
        if ($names !== self::WORDS) {
            $lines[] = Line::written('words', implode(', ', $names));
        }
        foreach (['true' => $affirmative, 'false' => $negative] as $word => $choice) {
            if ($choice?->weight !== null) {
                $lines[] = Line::written('weight ' . $word, (string) $choice->weight);
            }
        }

        return $lines;
    }
}
