<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\Stored;

use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Sitting\Paper\Paper;
use Zetema\Core\Sitting\State\Assumed;
use Zetema\Core\Sitting\State\Ended;
use Zetema\Core\Sitting\State\Ending;
use Zetema\Core\Sitting\State\State;
use Zetema\Core\Time\Duration;
use Zetema\Core\Time\Instant;

/** A state as it is stored, with the number of events that it stands for; so that a save does not live through the past again. */
final class Snapshot
{
    public const VERSION = 1;

    /** @return array<string, mixed> plain JSON data */
    public static function toData(State $state): array
    {
        $visits = [];
        foreach ($state->visits() as $place => $visit) {
            $data = VisitCodec::toData($visit);
            $visits = $data === [] ? $visits : [...$visits, ['place' => (string) $place, ...$data]];
        }

        return [
            'v' => self::VERSION,
            'events' => $state->events,
            'startedAt' => $state->startedAt?->micros,
            'ended' => $state->ended === null ? null : ['how' => $state->ended->how->value, 'at' => $state->ended->at->micros],
            'position' => PositionCodec::toData($state->position),
            'section' => $state->section,
            'sectionBegan' => array_map(
                static fn (int $section, Instant $at): array => ['section' => $section, 'at' => $at->micros],
                array_keys($state->sectionBegan),
                $state->sectionBegan,
            ),
            'sectionOver' => array_keys($state->sectionOver),
            'given' => (object) array_map(static fn (Duration $time): int => $time->micros, $state->given),
            'ticking' => array_map(strval(...), array_keys($state->ticking)),
            'asked' => $state->asked,
            'path' => $state->path,
            'routes' => $state->routes,
            'decided' => $state->decided,
            'ran' => array_map(static fn (array $ran): array => ['clock' => $ran['clock'], 'at' => $ran['at']->micros], $state->ran),
            ...$state->pauses === []
                ? []
                : [
                    'pauses' => array_map(
                        static fn (array $pause): array => ['from' => $pause['from']->micros, 'to' => $pause['to']?->micros],
                        $state->pauses,
                    ),
                ],
            ...$state->assumed->toData() === Assumed::nothing()->toData() ? [] : ['assumed' => $state->assumed->toData()],
            'visits' => $visits,
        ];
    }

    /** @throws Malformed if it is no snapshot of this version */
    public static function read(Fields $data, Paper $paper): State
    {
        if ($data->integer('v') !== self::VERSION) {
            throw new Malformed('v', sprintf('is %d; this reads snapshots of version %d', $data->integer('v'), self::VERSION));
        }
        $state = new State($paper);
        $state->events = $data->integer('events');
        $state->startedAt = Moments::optional($data, 'startedAt');
        $ended = $data->optionalObject('ended');
        $state->ended =
            $ended === null
                ? null
                : new Ended(
                    Ending::tryFrom($ended->text('how')) ?? throw new Malformed('how', 'is none that there is'),
                    Moments::of($ended, 'at'),
                );
        $state->position = PositionCodec::read($data->object('position'));
        $state->section = $data->optionalInteger('section');
        foreach ($data->objects('sectionBegan') as $began) {
            $state->sectionBegan[$began->integer('section')] = Moments::of($began, 'at');
        }
        $state->sectionOver = array_fill_keys($data->integers('sectionOver'), true);
        $state->given = array_map(Duration::micros(...), $data->integerMap('given'));
        $state->ticking = array_fill_keys($data->texts('ticking'), true);
        $state->asked = $data->texts('asked');
        $state->path = $data->texts('path');
        $state->routes = array_map(
            static fn (Fields $route): array => ['checkpoint' => $route->text('checkpoint'), 'to' => $route->text('to')],
            $data->objects('routes'),
        );
        $state->decided = $data->integer('decided');
        $state->ran = array_map(
            static fn (Fields $ran): array => ['clock' => $ran->text('clock'), 'at' => Moments::of($ran, 'at')],
            $data->objects('ran'),
        );
        $state->pauses = array_map(
            static fn (Fields $pause): array => ['from' => Moments::of($pause, 'from'), 'to' => Moments::optional($pause, 'to')],
            $data->objects('pauses', optional: true),
        );
        $assumed = $data->optionalObject('assumed');
        $state->assumed = $assumed === null ? Assumed::nothing() : Assumed::fromData($assumed);
        foreach ($data->objects('visits') as $visit) {
            $place = $paper->questions[$visit->text('place')] ?? throw new Malformed('place', 'is not in the paper');
            VisitCodec::read($visit, $state->change($place->id), $place);
        }

        return $state;
    }
}
