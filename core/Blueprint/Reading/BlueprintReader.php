<?php

declare(strict_types=1);

namespace Zetema\Core\Blueprint\Reading;

use Zetema\Core\Blueprint\Blueprint;
use Zetema\Core\Blueprint\Check\Checks;
use Zetema\Core\Blueprint\Check\Known;
use Zetema\Core\Blueprint\Section;
use Zetema\Core\Blueprint\Step\Step;

/** Reads the stored form of a blueprint, of this version or the one before. */
final class BlueprintReader
{
    private readonly Refusals $refusals;
    private readonly StepReader $steps;
    private readonly RuleReader $rules;
    private readonly OutcomeReader $outcomes;
    /** @var array<string, true> */
    private array $ids = [];

    private function __construct()
    {
        $this->refusals = new Refusals();
        $this->rules = new RuleReader();
        $this->steps = new StepReader($this->rules, new ConditionReader());
        $this->outcomes = new OutcomeReader();
    }

    /**
     * @param mixed $document as decoded from JSON, objects as arrays
     * @param Known $known the questions and pages that there are
     *
     * @throws BlueprintRefused with all that is found; first what has the wrong shape or no proper id, without which nothing else can be
     *   said
     */
    public static function read(mixed $document, Known $known): Blueprint
    {
        $reader = new self();
        $blueprint = $reader->whole($document);
        (new Checks($blueprint, $known, $reader->refusals))->run();
        $reader->refusals->refuseAny();

        return $blueprint;
    }

    /**
     * As somebody is still planning it: what keeps it from being sat is told by findings().
     *
     * @throws BlueprintRefused for a wrong shape or improper ids
     */
    public static function planned(mixed $document): Blueprint
    {
        return (new self())->whole($document);
    }

    /**
     * @return list<Refusal> all that keeps a planned blueprint from being sat
     *
     * @throws BlueprintRefused as planned()
     */
    public static function findings(mixed $document, Known $known): array
    {
        $reader = new self();
        (new Checks($reader->whole($document), $known, $reader->refusals))->run();

        return $reader->refusals->all();
    }

    private function whole(mixed $document): Blueprint
    {
        $blueprint = $this->blueprint(Shape::of(VersionOne::raised($document), Refusal::BLUEPRINT, '', $this->refusals));
        $this->refusals->refuseUnread();

        return $blueprint;
    }

    private function blueprint(Shape $shape): Blueprint
    {
        $shape->only(
            'v',
            'title',
            'settings',
            'rules',
            'pass',
            'tallies',
            'sections',
            'closing',
            'review',
            'order',
            'apart',
            'shares',
            'opening',
        );
        if ($shape->raw('v') !== Blueprint::VERSION) {
            $shape->wrong('v', sprintf('must be %d', Blueprint::VERSION));
        }
        $title = $shape->raw('title');
        if (!is_string($title)) {
            $shape->wrong('title', $shape->has('title') ? 'must be a text' : 'is missing');
        }
        $sections = array_map($this->section(...), $shape->objects('sections', needed: true));
        if ($shape->raw('sections') === []) {
            $shape->wrong('sections', 'is empty; there is nothing to sit');
        }

        return new Blueprint(
            is_string($title) ? $title : '',
            $this->rules->settings($shape->optional('settings')),
            $this->rules->ofAssessment($shape->optional('rules')),
            $shape->has('pass') ? $this->outcomes->pass($shape->object('pass')) : null,
            array_map($this->outcomes->tally(...), $shape->objects('tallies')),
            $sections,
            $this->outcomes->closing($shape->optional('closing')),
            $this->outcomes->review($shape->optional('review')),
            $shape->word('order', ['as written', 'mixed']) === 'mixed',
            $this->apart($shape),
            $this->outcomes->shares($shape),
            $shape->optionalText('opening'),
        );
    }

    private function section(Shape $shape): Section
    {
        [$id, $shape] = $this->identified($shape);
        $shape->only('id', 'title', 'order', 'time', 'settings', 'rules', 'steps');
        $title = $shape->has('title') ? $shape->raw('title') : '';
        if (!is_string($title)) {
            $shape->wrong('title', 'must be a text');
        }

        return new Section(
            $id,
            is_string($title) ? $title : '',
            $shape->word('order', ['as written', 'mixed']) === 'mixed',
            $shape->has('time') ? $shape->seconds('time') : null,
            $this->rules->settings($shape->optional('settings')),
            $this->rules->ofSection($shape->optional('rules')),
            array_values(
                array_filter(
                    array_map(
                        fn (Shape $step): ?Step => $this->steps->step(...$this->identified($step)),
                        $shape->objects('steps', needed: true),
                    ),
                ),
            ),
        );
    }

    /** @return array{string, Shape} the id, and the object told to stand there */
    private function identified(Shape $shape): array
    {
        $id = $shape->raw('id');
        if (!is_string($id)) {
            $shape->wrong('id', $shape->has('id') ? 'must be a text' : 'is missing', $shape->has('id') ? 'shape' : 'id');

            return ['', $shape];
        }
        $shape = $id === '' ? $shape : $shape->at($id);
        if (preg_match('/^[\p{L}\p{N}-]+$/Du', $id) !== 1) {
            $shape->wrong('id', 'has letters, digits and hyphens only', 'id');
        } elseif (in_array($id, [Blueprint::END, Blueprint::NEXT], true)) {
            $shape->wrong('id', sprintf('cannot be “%s”, which is a word of its own', $id), 'id');
        } elseif (isset($this->ids[$id])) {
            $shape->wrong('id', sprintf('“%s” stands here twice', $id), 'id');
        }
        $this->ids[$id] = true;

        return [$id, $shape];
    }

    /** @return list<array{string, string}> */
    private function apart(Shape $shape): array
    {
        $apart = [];
        foreach ($shape->items('apart') as $pair) {
            if (is_array($pair) && count($pair) === 2 && is_string($pair[0] ?? null) && is_string($pair[1] ?? null)) {
                $apart[] = [$pair[0], $pair[1]];
            } else {
                $shape->wrong('apart', 'must be a list of pairs of names');
            }
        }

        return $apart;
    }
}
