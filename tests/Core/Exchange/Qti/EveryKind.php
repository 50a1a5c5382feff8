<?php

declare(strict_types=1);

namespace Zetema\Tests\Core\Exchange\Qti;

/** Questions of every kind and rule, with costs, feedback and limits, in the text format. */
final class EveryKind
{
    public const TEXT = <<<'TEXT'
    one: Costs *and* a `floor`
      points: 5
      wrong costs: 2
      blank costs: 1
      floor: -1
      attempts: 3
      attempt costs: 2, 4
      yes: a & b < c
      no: second
        says: Not this.
      pinned no: None
      if right on attempt 2: At last.
      if unanswered: Nothing?
      note when not chosen 2: Good that it is not the second.

    one: Two keys
      yes: a
      yes: b
      no: c

    one: Points of their own
      marking: weighed
      yes 8: a
      no 5: b
      no 2: c

    several: Half a part each
      points: 6
      marking: parts
      wrong part costs: 0.5
      choose: at most 3
      yes: a
      yes: b
      no: c
      no: d
      if partly right: One more.

    several: Left alone or taken
      points: 4
      marking: each
      yes: a
      no: b
      no: c
      yes: d

    several: Any two of three
      choose: 2
      yes: a
      yes: b
      yes: c
      no: d

    several: A floor below
      marking: weighed
      floor: -2
      yes 4: a
      yes 4: b
      no -3: c
      no -3: d

    false: A drone can sting.
      points: 5
      wrong costs: 5
      words: holds, does not hold
      if wrong: It cannot.

    true: Weighed.
      marking: weighed
      weight true: 3
      weight false: -1

    number: How many?
      points: 4
      answer: 14 within 0.6
      answer 50 %: 11 up to but not 12
      answer 25 %: over 20

    number: How far?
      answer: 250 within 2 %

    text: To the letter
      ignore: nothing
      answer: Varroa

    text: With shares
      points: 2
      wrong costs: 1
      answer: varroa
      answer 50 %: mite

    gaps: A colony has one ___ and many ___.
      points: 2
      marking: parts
      wrong part costs: 0.5
      gap 1: queen
      gap 1 50 %: mother
      gap 2 yes: workers
      gap 2 no: drones

    gaps: All of ___ and ___.
      gap 1: it
      gap 2: them
        says: Not they?

    gaps: Each ___ its ___.
      marking: weighed
      gap 1: has
        earns: 2
        loses: 1
      gap 2: worth
        earns: 1

    pairs: Who does what?
      points: 3
      marking: parts
      pair: Nurse
      with: feeds
      pair: Forager
      with: flies
      pair: Queen
      with: lays
      spare with: sings

    pairs: Weighed
      marking: weighed
      pair: a
      with: 1
        earns: 2
        loses: 1
      pair: b
      with: 2
        earns: 1

    groups: Where?
      points: 2
      marking: parts
      wrong part costs: 1
      group: Brood box
        item: Larvae
        item: Eggs
      group: Honey box
        item: Capped honey
      spare item: Pollen trap

    order: As a whole
      item: a
      item: b
      item: c

    order: By place
      points: 10
      marking: parts by place
      item: a
      item: b
      item: c
      item: d
      item: e

    order: By neighbour
      points: 9
      marking: parts by neighbour
      item: a
      item: b
      item: c
      item: d

    regions: Click both.
      points: 2
      marking: parts
      clicks: 3
      image: frame.svg
        size: 640 480
        shows: A frame
      area yes: ellipse 100 100 40 40
      area yes: rectangle 300 200 50 60
      area no: polygon 10,400 90,410 60,470

    regions: Choose the right one.
      areas: outlined
      wrong costs: 0.5
      image: frame.svg
        size: 640 480
        shows: A frame
      area yes: ellipse 100 100 40 30
        name: The queen cell
      area no: rectangle 300 200 50 60
        says: That is honey.

    place: Put the labels.
      points: 3
      marking: parts
      image: hive.svg
        size: 640 480
        shows: A hive
      spot: 120 80 30
      spot: 120 240 30
      label: ![Lid](lid.svg)
      at: 1
      label: ![Floor](floor.svg)
      at: 2
      spare label: ![Queen](queen.svg)

    one: Which season?
      key: none
      no: Spring
      no: Autumn

    rating: How sure?
      scale: 1 to 5
      ends: not at all, completely

    one: With a picture ![A hut](hut.svg), a $\frac{x}{2}$ and a list

      - one
      - two
      hint: Think of **June**.
      yes: a
      no: b
    TEXT;
}
