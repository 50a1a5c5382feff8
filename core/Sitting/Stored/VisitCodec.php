<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\Stored;

use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Marking\Verdict;
use Zetema\Core\Question\Feedback\Outcome;
use Zetema\Core\Question\Points;
use Zetema\Core\Question\Response\Response;
use Zetema\Core\Sitting\Paper\QuestionPlace;
use Zetema\Core\Sitting\State\Mark;
use Zetema\Core\Sitting\State\MarkReason;
use Zetema\Core\Sitting\State\Visit;
use Zetema\Core\Time\Duration;
use Zetema\Core\Time\Instant;

/** A visit as it is stored, its marks as they were made: reading them marks nothing again. */
final class VisitCodec
{
    /** @return array<string, mixed> what differs from a question that nobody has come to */
    public static function toData(Visit $visit): array
    {
        $moments = array_filter(
            ['shown' => $visit->shown?->micros, 'closed' => $visit->closed?->micros, 'runsSince' => $visit->runsSince?->micros],
            is_int(...),
        );

        return [
            ...$moments,
            ...array_filter(
                [
                    'asked' => $visit->isAsked,
                    'saved' => $visit->saved->toData(),
                    'hints' => $visit->hints,
                    'flagged' => $visit->isFlagged,
                    'rounds' => $visit->rounds === [[]]
                        ? null
                        : array_map(static fn (array $marks): array => array_map(self::mark(...), $marks), $visit->rounds),
                    'awaitsRefresher' => $visit->awaitsRefresher,
                    'began' => array_map(static fn (Instant $began): int => $began->micros, $visit->began),
                    'blank' => $visit->blank === null ? null : self::mark($visit->blank),
                    'ranOut' => $visit->ranOut,
                    'used' => $visit->used->micros,
                ],
                static fn (mixed $value): bool => !in_array($value, [null, false, 0, []], true),
            ),
        ];
    }

    public static function read(Fields $data, Visit $visit, QuestionPlace $place): void
    {
        $visit->isAsked = $data->flag('asked', false);
        $visit->shown = Moments::optional($data, 'shown');
        $visit->closed = Moments::optional($data, 'closed');
        $visit->saved = self::response($data->raw()['saved'] ?? null, $place);
        $visit->hints = $data->integer('hints', 0);
        $visit->isFlagged = $data->flag('flagged', false);
        $rounds = [];
        foreach ($data->items('rounds', optional: true) as $marks) {
            $rounds[] = array_map(
                static fn (Fields $mark): Mark => self::readMark($mark, $place),
                Fields::of(['marks' => $marks])->objects('marks'),
            );
        }
        $visit->rounds = $rounds === [] ? [[]] : $rounds;
        $visit->awaitsRefresher = $data->flag('awaitsRefresher', false);
        $visit->began = array_map(Instant::micros(...), $data->integers('began', optional: true));
        $blank = $data->optionalObject('blank');
        $visit->blank = $blank === null ? null : self::readMark($blank, $place);
        $visit->ranOut = $data->flag('ranOut', false);
        $visit->used = Duration::micros($data->integer('used', 0));
        $visit->runsSince = Moments::optional($data, 'runsSince');
    }

    /** @return array<string, mixed> */
    private static function mark(Mark $mark): array
    {
        return [
            'at' => $mark->at->micros,
            'round' => $mark->round,
            'attempt' => $mark->attempt,
            'response' => $mark->response->toData(),
            ...$mark->verdict->toData(),
            'counts' => $mark->counts,
            'feedback' => $mark->feedback,
            'reason' => $mark->reason->value,
            ...$mark->hints === 0 ? [] : ['hints' => $mark->hints, 'lost' => (string) $mark->lost],
        ];
    }

    private static function readMark(Fields $data, QuestionPlace $place): Mark
    {
        $outcome = Outcome::tryFrom($data->text('outcome')) ?? throw new Malformed('outcome', 'is none that there is');
        $feedback = array_map(static fn (mixed $text): ?string => is_string($text) ? $text : null, $data->items('feedback'));

        return new Mark(
            Moments::of($data, 'at'),
            $data->integer('round'),
            $data->integer('attempt'),
            self::response($data->raw()['response'] ?? null, $place),
            new Verdict($outcome, Points::of($data->text('earned')), Points::of($data->text('max')), $data->texts('working')),
            $data->flag('counts'),
            $feedback,
            MarkReason::tryFrom($data->text('reason')) ?? throw new Malformed('reason', 'is none that there is'),
            $data->integer('hints', 0),
            Points::of($data->text('lost', '0')),
        );
    }

    private static function response(mixed $data, QuestionPlace $place): Response
    {
        return $place->question->kind->response($data, $place->settings, complete: false);
    }
}
