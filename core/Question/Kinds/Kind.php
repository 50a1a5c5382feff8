<?php

declare(strict_types=1);

namespace Zetema\Core\Question;

use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Question\Answers\AnswerLine;
use Zetema\Core\Question\Answers\Choice;
use Zetema\Core\Question\Response\Response;
use Zetema\Core\Question\Response\ResponseSpace;
use Zetema\Core\Question\Scoring\Criterion;
use Zetema\Core\Question\Scoring\Scoring;
use Zetema\Core\Question\Settings\EffectiveSettings;
use Zetema\Core\Question\Settings\Setting;
use Zetema\Core\Question\Settings\Settings;

/** What makes a question the kind it is: its answers, which responses it takes, how they are measured, its lines of the text format. */
interface Kind
{
    public static function id(): KindId;

    /** @return list<string> the share rules of marking.md that go with it */
    public static function rules(): array;

    /** @return list<Setting> settings that only some kinds have */
    public static function ownSettings(): array;

    /** @return list<string> words that open its lines of the text format, beside the opening line */
    public static function words(): array;

    /**
     * Made from lines of the text format; null where they are too broken to make anything of (said in the problems).
     *
     * @param list<Line> $parts
     */
    public static function read(Line $opening, array $parts, Settings $own, Problems $problems): ?self;

    /** @throws Malformed */
    public static function fromData(Fields $data): self;

    /** @return array<string, mixed> its part of the stored form of a question */
    public function toData(): array;

    /**
     * Its lines of the text format, the opening one first.
     *
     * @return non-empty-list<Line>
     */
    public function toLines(string $stem): array;

    /**
     * Refuses what cannot be asked or marked.
     *
     * @throws InvalidQuestion
     */
    public function verify(EffectiveSettings $settings, string $stem): void;

    /**
     * @param bool $complete false when time ran out: fewer choices than demanded are then marked as they stand
     *
     * @throws Malformed by field name, if a candidate's interface could not have sent this
     */
    public function response(mixed $given, EffectiveSettings $settings, bool $complete = true): Response;

    public function scoring(EffectiveSettings $settings): Scoring;

    /** The responses there are, to list them and to guess among them. */
    public function space(EffectiveSettings $settings): ResponseSpace;

    /**
     * What its answers themselves say to a response.
     *
     * @param list<Criterion> $found of its measure, in the response
     *
     * @return list<string>
     */
    public function says(Response $response, array $found): array;

    /**
     * What stands in mixed order on a candidate's page: lists of numbers (choices, right-hand sides, items, labels, the entries of a
     * gap's list), each mixed within itself.
     *
     * @return list<list<int>>
     */
    public function shuffledLists(): array;

    /**
     * What a candidate's page is told of the answers: an allow-list, without key or marking.
     *
     * @param list<list<int>> $order as shuffledLists() gives it, in the order of this page
     * @param bool $checked whether an attempt was checked and told already
     *
     * @return array<string, mixed>
     */
    public function shownToCandidate(array $order, EffectiveSettings $settings, bool $checked = false): array;

    /**
     * A response in words, one line for each part.
     *
     * @param bool $withKey whether the lines may tell what was hit; without it they tell no more than what was given
     *
     * @return list<AnswerLine>
     */
    public function inWords(Response $response, bool $withKey = false): array;

    /** @return list<Choice> what there is to choose from, in the order written; empty where one types */
    public function choices(): array;

    /**
     * The word by which its lines are called, and their stable ids in the order written.
     *
     * @return array{string, list<int>}
     */
    public function lineIds(): array;

    /**
     * The right answer in words, one line each.
     *
     * @return list<AnswerLine>
     */
    public function keyInWords(): array;
}
