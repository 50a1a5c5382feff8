<?php

declare(strict_types=1);

namespace Zetema\Tests\Core\Sitting;

use PHPUnit\Framework\TestCase;
use Zetema\Core\Blueprint\Blueprint;
use Zetema\Core\Blueprint\Dealing\BlueprintDealer;
use Zetema\Core\Blueprint\Reading\BlueprintReader;
use Zetema\Core\Sitting\Outside\SittingFile;
use Zetema\Core\Sitting\Outside\SittingRun;
use Zetema\Core\Sitting\Paper\Paper;
use Zetema\Core\Sitting\Paper\PaperMaker;

/** Sittings written down shortly: "0 start; 2 check trim {"choose":[2]}; 5 go on". */
abstract class SatCase extends TestCase
{
    protected const BANK = <<<'TEXT'
    page: reading
      reads: R
    page: second
      reads: S
    page: care
      reads: C

    objective: Lamp room > Wick
    one: How is a wick trimmed?
      name: trim
      points: 4
      attempts: 2
      attempt costs: 1
      wrong costs: 1
      yes: Straight
        says: It burns evenly.
        tally: patience +2
      no: Round
        says: Glass breaks.
        tally: patience +5
      no: Not at all
      if wrong on attempt 1: Look again.
      if wrong on the last attempt: It is cut straight.
      if out of time: Too late.
      note when chosen 2: A round wick smokes.
      hint: Think of the glass.
        costs: 1
      hint: Straight lines.
        from attempt: 2
        after: 10 s
        costs: 1
    objective: Boats
    one: Which oar first?
      name: oar
      points: 2
      yes: Left
      no: Right
    number: How many oars?
      name: count
      answer: 4
      blank costs: 1
    several: Two that float
      name: float
      choose: 2
      yes: Cork
      yes: Oak
      no: Lead
    pairs: Who does what?
      name: crew
      pair: Cox
      with: steers
      pair: Bow
      with: rows
      spare with: sleeps
    one: Which way?
      name: fork
      points: 1
      yes: Left
        leads to: reading
      no: Right
      no: Back
        leads to: second
    rating: How sure?
      name: sure
      scale: 1 to 5
      tally: patience
    text: Name the bay
      name: bay
      answer: north bay
      graded: no
    TEXT;

    /**
     * @param list<array<string, mixed>> $steps
     * @param array<string, mixed> $more fields of the blueprint
     */
    protected static function plan(array $steps, array $more = []): Blueprint
    {
        return BlueprintReader::read(['v' => 2, 'title' => 'T', 'sections' => [['id' => 'all', 'steps' => $steps]], ...$more], new ListedBank(self::BANK));
    }

    /**
     * @param array<string, mixed> $more fields of the step
     *
     * @return array<string, mixed>
     */
    protected static function q(string $name, array $more = []): array
    {
        return ['id' => $name, 'question' => $name, ...$more];
    }

    /**
     * @param array<string, string> $settings
     * @param array<string, mixed> $more fields of the step
     *
     * @return array<string, mixed>
     */
    protected static function set(string $name, array $settings = [], array $more = []): array
    {
        return self::q($name, ['settings' => $settings, ...$more]);
    }

    /** @return array<string, mixed> one attempt, then read again */
    protected static function again(string $stands, int $rounds = 1): array
    {
        return self::set('trim', ['attempts' => '1'], ['refresher' => ['pages' => ['care'], 'rounds' => $rounds, 'stands' => $stands]]);
    }

    /**
     * @param array<string, mixed> $when
     * @param array<string, mixed> $more fields of the checkpoint
     *
     * @return array<string, mixed>
     */
    protected static function checkpoint(array $when, string $to, array $more = []): array
    {
        return ['id' => 'c', 'checkpoint' => ['routes' => [['when' => $when, 'to' => $to]], ...$more]];
    }

    /**
     * @param array<string, mixed> $when
     *
     * @return array<string, mixed>
     */
    protected static function route(string $to, array $when = ['points' => 'all', 'is' => '>', 'value' => '1']): array
    {
        return self::checkpoint($when, $to);
    }

    /**
     * @param array<string, mixed> ...$sections
     *
     * @return array<string, mixed>
     */
    protected static function inSections(array ...$sections): array
    {
        $all = [];
        foreach (array_values($sections) as $i => $section) {
            $all[] = ['id' => 's' . $i, ...$section];
        }

        return ['sections' => $all];
    }

    /**
     * @param list<array<string, mixed>> $steps
     * @param array<string, mixed> $more fields of the blueprint
     * @param array<string, mixed> $section its fields
     *
     * @return array<string, mixed> of one section
     */
    protected static function whole(array $steps, array $more = [], array $section = []): array
    {
        return ['sections' => [['id' => 'a', ...$section, 'steps' => $steps]], ...$more];
    }

    protected static function paper(Blueprint $plan, int $seed = 1): Paper
    {
        $bank = new ListedBank(self::BANK);

        return (new PaperMaker($plan, static fn (string $name): array => [$bank->questions[$name], $bank->settings]))->paper((new BlueprintDealer($plan, $bank->stock()))->deal($seed));
    }

    /**
     * @param array<string, mixed> $terms
     *
     * @return array<string, mixed> the result, the steps by their id
     */
    protected static function sat(Blueprint $plan, string $events, array $terms = []): array
    {
        $result = SittingRun::result(self::paper($plan), SittingFile::read([...$terms, 'events' => self::events($events)]));
        $steps = is_array($result['steps']) ? $result['steps'] : [];

        return [...$result, 'steps' => array_column($steps, null, 'step')];
    }

    /** @return list<array<string, mixed>> */
    protected static function events(string $short): array
    {
        $events = [];
        foreach (array_filter(array_map(trim(...), explode(';', $short)), static fn (string $line): bool => $line !== '') as $line) {
            preg_match('/^(\S+) (start|save|check|hint|go on|go to step|go to|flag|unflag|hand in|give time|close|pause|resume)(?: ([^\s{]+))?(?: (.+))?$/', $line, $m);
            [$at, $do, $name, $json] = [$m[1] ?? '', $m[2] ?? '', $m[3] ?? '', $m[4] ?? ''];
            $events[] = [
                'at' => $at,
                ...match ($do) {
                    'save', 'check' => ['do' => $do, 'question' => $name, ...$json === '' ? [] : ['response' => json_decode($json, true)]],
                    'hint' => ['do' => $do, 'question' => $name],
                    'go to' => ['do' => $do, 'question' => $name],
                    'go to step' => ['do' => 'go to', 'step' => $name],
                    'flag', 'unflag' => ['do' => 'flag', 'question' => $name, 'on' => $do === 'flag'],
                    'give time' => ['do' => $do, 'seconds' => $name, ...$json === '' ? [] : ['clock' => json_decode($json, true)]],
                    default => ['do' => $do],
                },
            ];
        }

        return $events;
    }

    /**
     * @param array<string, mixed> $expected by a path such as "steps.trim.earned"; lists of texts and of refusals as one text
     * @param array<array-key, mixed> $result
     */
    protected static function assertCame(array $expected, array $result): void
    {
        $found = [];
        foreach (array_keys($expected) as $path) {
            $value = $result;
            foreach (explode('.', $path) as $key) {
                $value = is_array($value) ? $value[$key] ?? null : null;
            }
            $found[$path] =
                is_array($value) && array_is_list($value)
                    ? implode(' · ', array_map(static fn (mixed $one): string => implode(' ', array_filter(is_array($one) ? $one : [$one ?? 'null'], is_scalar(...))), $value))
                    : $value;
        }
        self::assertSame($expected, $found, json_encode($result, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE));
    }
}
