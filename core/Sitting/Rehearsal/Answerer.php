<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\Rehearsal;

use Zetema\Core\Drawing\Chance;
use Zetema\Core\Marking\Marker;
use Zetema\Core\Marking\Table\WhatScoresWhat;
use Zetema\Core\Question\Feedback\Outcome;
use Zetema\Core\Question\Response\Response;
use Zetema\Core\Sitting\Paper\QuestionPlace;

/** Finds responses for whoever rehearses and does not want to give them: right ones, wrong ones, partly right ones, any. */
final class Answerer
{
    /** So many responses of a question are looked at; a space that large has all outcomes long before. */
    private const MOST = 2_000;

    /**
     * @param int $attempt at which it is given: hints and attempts change what it earns, not what it is
     *
     * @return Response|null null: left blank, or the question has no response that is so
     */
    public static function response(QuestionPlace $place, HowToAnswer $how, Chance $chance, int $attempt = 1): ?Response
    {
        if ($how === HowToAnswer::NotAtAll) {
            return null;
        }
        $fitting = $least = $most = [];
        $looked = 0;
        foreach (WhatScoresWhat::responses($place->question, $place->settings) as $response) {
            if ($response->isBlank() || $place->question->kind->notYet($response, $place->settings) !== null) {
                continue;
            }
            $verdict = $how === HowToAnswer::ByChance ? null : (new Marker())->mark($place->plan, $response, $attempt);
            // What has no key is answered by any response, however one wants to answer.
            if ($verdict === null || $verdict->outcome === Outcome::Recorded || $verdict->outcome === $how->outcome()) {
                $fitting[] = $response;
            } elseif ($how !== HowToAnswer::Partly) {
                $least = $least === [] || $verdict->earned->compare($least[0]) < 0 ? [$verdict->earned, $response] : $least;
                $most = $most === [] || $verdict->earned->compare($most[0]) > 0 ? [$verdict->earned, $response] : $most;
            }
            if (++$looked >= self::MOST || ($how !== HowToAnswer::ByChance && count($fitting) >= 50)) {
                break;
            }
        }
        if ($fitting !== []) {
            return $fitting[$chance->below(count($fitting))];
        }

        // Where every choice earns something, none is wrong: then the one that earns least is meant.
        return ($how === HowToAnswer::Rightly ? $most : $least)[1] ?? null;
    }
}
