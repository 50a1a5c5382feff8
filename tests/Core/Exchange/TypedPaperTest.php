<?php

declare(strict_types=1);

namespace Zetema\Tests\Core\Exchange;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Zetema\Core\Exchange\TypedPaper\PaperSource;

final class TypedPaperTest extends TestCase
{
    /** @return iterable<string, array{string, list<string>}> a paper, and what is read of it */
    public static function stems(): iterable
    {
        foreach (['1.', '1)', '(1)', 'Q1', 'Q1.', 'Q1)', 'Q1:', 'Q.1', 'Question 1', 'Question 1.', 'Question 1:', 'Question 1)', '( 1 )'] as $mark) {
            yield "a number as $mark" => ["$mark Who lays?\nAnswer: queen", ['text: Who lays? / answer: queen']];
        }
        yield 'a letter directly behind' => ["1.Who lays?\nAnswer: queen", ['text: Who lays? / answer: queen']];
        yield 'a decimal opens nothing' => ["1. How far?\n1.5 km is too far\nAnswer: 3 km", ['number: How far? / 1.5 km is too far / unit: km / answer: 3']];
        yield 'a year opens nothing' => ["1. When was it\n1897. Or later?\nAnswer: 1897", ['number: When was it / 1897. Or later? / answer: 1897']];
        yield 'the stem in the next line' => ["Question 1\nWho lays?\nAnswer: queen", ['text: Who lays? / answer: queen']];
        yield 'points alone beside the number' => ["1. (2 points):\nWho lays?\nAnswer: queen", ['text: Who lays? / points: 2 / answer: queen']];
        yield 'room before the number' => ["____ 1. Who lays?\nA) drone\nB) queen\nAnswer: B", ['one: Who lays? / no: drone / yes: queen']];
        yield 'the key before the number' => ["__B__ 1. Who lays?\nA) drone\nB) queen", ['one: Who lays? / no: drone / yes: queen']];
        yield 'numbers within a stem' => ["1. Which of these are there?\n(1) eggs\n(2) larvae\n(3) stones\nA) 1 and 2\nB) all\nAnswer: A\n2. Who?\nAnswer: she", [
            'one: Which of these are there? / (1) eggs / (2) larvae / (3) stones / yes: 1 and 2 / no: all', 'text: Who? / answer: she']];
        yield 'the next number directly below' => ["1. Who lays?\n2. Who feeds?\nAnswer: nurse", ['!1: key missing', 'text: Who feeds? / answer: nurse']];
        yield 'a jump below a blank line' => ["1. Who lays?\nAnswer: queen\n\n7. Who feeds?\nAnswer: nurse", ['text: Who lays? / answer: queen', 'text: Who feeds? / answer: nurse']];
        yield 'Q and A' => ["Q: Who lays?\nA: queen\nQ: Who feeds?\nA: nurse", ['text: Who lays? / answer: queen', 'text: Who feeds? / answer: nurse']];
        yield 'a paragraph with choices' => ["A talk on bees.\n\nWho lays?\n\na) drone\nb) queen\nAnswer: b\n\nWho feeds?\nAnswer: nurse", ['one: Who lays? / no: drone / yes: queen', 'text: Who feeds? / answer: nurse']];
        yield 'a paragraph with marked bullets' => ["Who lays?\n- drone\n- queen (correct)\n\nBring:\n- a veil\n- a pen", ['one: Who lays? / no: drone / yes: queen']];
        yield 'a stem of two paragraphs' => ["1. Look at the frame.\n\nWho was here?\n\nAnswer: queen", ['text: Look at the frame. / Who was here? / answer: queen']];
        yield 'a choice of two lines' => ["1. Who lays?\na) the drone\nof the hive\nb) queen*", ['one: Who lays? / no: the drone / of the hive / yes: queen']];
        $after = "Who feeds?\nAnswer: nurse\n\n";
        yield 'a stem that begins like an answer' => ["Guild paper\n\nKey: who lays?\na) drone\nb) queen\nAnswer: b\n\nThe answer is in the hive: who feeds?\na) nurse\nb) drone\nAnswer: a", ['one: Key: who lays? / no: drone / yes: queen', 'one: The answer is in the hive: who feeds? / yes: nurse / no: drone']];
        yield 'claims that begin like answers' => [$after . "Correct: drones leave in autumn.\nAnswer: F\n\nSolution: is it sugar in water?\nAnswer: T", ['text: Who feeds? / answer: nurse', 'false: Correct: drones leave in autumn.', 'true: Solution: is it sugar in water?']];
        yield 'a stem that begins like a choice' => [$after . "A. mellifera is which bee?\na) eastern\nb) western\nAnswer: b", ['text: Who feeds? / answer: nurse', 'one: A. mellifera is which bee? / no: eastern / yes: western']];
        yield 'a further answer is an answer' => ["Who lays?\nAnswer: queen\n\nAnswer: mother", ['text: Who lays? / answer: queen / answer: mother']];
        $long = rtrim(str_repeat('who lays ', 300));
        yield 'a first line of 2,700 characters' => ["1. $long?\nAnswer: queen", ["text: $long? / answer: queen"]];
        yield 'a first line of 2,700 characters without a number' => ["$long?\na) drone\nb) queen\nAnswer: b", ["one: $long? / no: drone / yes: queen"]];
        yield 'instructions' => ["Directions:\n1. Read.\n2. Write.\n\n1. Who lays?\nAnswer: queen", ['text: Who lays? / answer: queen']];
        yield 'page furniture in a question' => ["1. Who lays?\na) drone\n\nGuild paper 3\nPage 1 of 2\n\nGuild paper 4\nPage 2 of 2\n\nb) queen*\nc) worker", ['one: Who lays? / no: drone / yes: queen / no: worker']];
    }

    /** @return iterable<string, array{string, list<string>}> */
    public static function choices(): iterable
    {
        $read = ['one: Who lays? / no: drone / yes: queen / no: worker'];
        foreach (['a) drone|b) queen|c) worker', 'a. drone|b. queen|c. worker', '(a) drone|(b) queen|(c) worker', 'A)drone|B)queen|C)worker', '- drone|- queen|- worker', '•	drone|•	queen|•	worker'] as $set) {
            yield "as $set" => ["1. Who lays?\n" . str_replace('|', "\n", $set) . "\nAnswer: B", $read];
        }
        yield 'jumps' => ["1. Who lays?\na) drone\nb) queen\nd) worker\nKey: b", $read];
        yield 'a letter twice' => ["1. Who lays?\na) drone\nb) queen\nb) worker\nKey: a", ['!4: stands twice']];
        yield 'a lone letter is text' => ["1. Who lays,\na) in spring?\nAnswer: queen", ['text: Who lays, / a) in spring? / answer: queen']];
        yield 'a lone bullet is text' => ["1. Who lays?\n- in spring\nAnswer: queen", ['text: Who lays? / - in spring / answer: queen']];
        yield 'bullets above letters are text' => ["1. Who lays\n- eggs\n- in cells?\na) drone\nb) queen*\nc) worker", ['one: Who lays / - eggs / - in cells? / no: drone / yes: queen / no: worker']];
        yield 'all on one line' => ["1. Who lays?\na) drone b) queen c) worker\nAnswer: b", $read];
        yield 'stem and choices on one line' => ['1. Who lays? (a) drone (b) queen (c) worker   Answer: b', $read];
        yield 'letters in a stem stay where choices follow' => ["1. Is a) or b) meant?\na) drone\nb) queen\nAnswer: b", ['one: Is a) or b) meant? / no: drone / yes: queen']];
        yield 'columns' => ["1. Who lays?\na) drone     c) worker\nb) queen     d) nobody\nAnswer: b", ['one: Who lays? / no: drone / yes: queen / no: worker / no: nobody']];
        yield 'a choice speaks of another' => ["1. Who lays?\na) drone, not b) at least\nb) queen\nAnswer: b", ['one: Who lays? / no: drone, not b) at least / yes: queen']];

        foreach (['*b) queen', '* b) queen', 'b) *queen', 'b) queen*', 'b) queen *', '✓ b) queen', 'b) ✔ queen', 'b) queen (correct)', 'b) queen (Right)', 'b) queen (key)', 'b) **queen**', '**b) queen**'] as $marked) {
            yield "marked $marked" => ["1. Who lays?\na) drone\n$marked\nc) worker", $read];
        }
        yield 'emphasis is no mark' => ["1. Who lays?\na) *not* drone\nb) queen\nc) the *worker*\nAnswer: b", ['one: Who lays? / no: *not* drone / yes: queen / no: the *worker*']];
        yield 'stars as bullets are no mark' => ["1. Who lays?\n* drone\n* queen\n* worker\nAnswer: B", $read];
        yield 'a star among bullets is one' => ["1. Who lays?\n- drone\n* queen\n- worker", $read];
        yield 'a mark that all have marks nothing' => ["1. Who lays?\na) drone (correct)\nb) queen (correct)\nAnswer: b", ['one: Who lays? / no: drone / yes: queen']];

        foreach (['Answer: B', 'answers : b', 'Ans: (b)', 'Ans. b)', 'Key: B.', 'Correct: b', 'Correct answer: queen', 'Right answer: Queen', 'Solution: b) queen', 'The answer is B.', 'The correct answer is B', '[Answer: B]'] as $answer) {
            yield "told by $answer" => ["1. Who lays?\na) drone\nb) queen\nc) worker\n\n$answer", $read];
        }
        yield 'told at the end of a choice' => ["1. Who lays?\na) drone\nb) queen\nc) worker (Answer: B)", $read];
        yield 'told behind spaces' => ["1. Who lays?  Key: B\na) drone\nb) queen\nc) worker", $read];
        $two = ['several: Who lays? / yes: drone / no: queen / yes: worker'];
        foreach (['A, C', 'A and C', 'A & C', 'A/C', 'A C', 'AC', 'a), c)', 'A,C'] as $keys) {
            yield "two keys as $keys" => ["1. Who lays?\na) drone\nb) queen\nc) worker\nAnswer: $keys", $two];
        }
        yield 'a letter that is not there' => ["1. Who lays?\na) drone\nb) queen\nAnswer: D", ['!4: no choice D']];
        yield 'letter and text disagree' => ["1. Who lays?\na) drone\nb) queen\nAnswer: A) queen", ['!4: letter']];
        yield 'no choice at all' => ["1. Who lays?\na) drone\nb) queen\nAnswer: bumblebee", ['!4: names no choice']];
        yield 'no key' => ["1. Who lays?\na) drone\nb) queen\nAnswer:", ['!1: key missing']];
        yield 'two sources disagree' => ["1. Who lays?\na) drone\nb) queen*\nAnswer: A", ['!4: another key']];
        yield 'two sources agree' => ["1. Who lays?\na) drone\nb) queen*\nc) worker\nAnswer: B", $read];
        yield 'choose two' => ["1. Who lays? Select two.\na) drone\nb) queen*\nc) worker*", ['several: Who lays? Select two. / choose: 2 / no: drone / yes: queen / yes: worker']];
        yield 'choose two, but one is marked' => ["1. Who lays? (choose 2)\na) drone\nb) queen*\nc) worker", ['!1: the stem asks for 2']];
        yield 'choose two, but three are told' => ["1. Who lays? (choose 2)\na) drone\nb) queen\nc) worker\nAnswer: ABC", ['!5: asks for 2']];
        yield 'all that apply' => ["1. Who lays? Tick all that apply.\na) drone\nb) queen*\nc) worker", ['several: Who lays? Tick all that apply. / no: drone / yes: queen / no: worker']];
        yield 'a letter without choices' => ["1. Who lays?\nAnswer: B", ['!2: no choices']];
    }

    /** @return iterable<string, array{string, list<string>}> */
    public static function lists(): iterable
    {
        $paper = "1. Who lays?\na) drone\nb) queen\n\n2. Who feeds?\na) nurse\nb) drone\n\n";
        $read = ['one: Who lays? / no: drone / yes: queen', 'one: Who feeds? / yes: nurse / no: drone'];
        foreach (["Answers\n1. B\n2. A", "Answer key:\n1) B 2) A", "KEY\n1-B, 2-A", "Solutions:\n1: b; 2: a", 'Key: 1B 2A', 'Answers: 1=B 2=A', "1. B\n2. A", "Keys\n1 B\n2 queen, A"] as $list) {
            yield str_replace("\n", ' | ', $list) => [$paper . $list, str_contains($list, 'queen, A') ? [$read[0], '!11: names no choice'] : $read];
        }
        yield 'behind another word' => [$paper . 'Answer key: 1B 2A', $read];
        yield 'words, one a line' => ["1. Who lays?\n\n2. How many legs?\n\nAnswers\n1. queen / the queen\n2. 6", ['text: Who lays? / answer: queen / answer: the queen', 'number: How many legs? / answer: 6']];
        yield 'runs' => ["1. Who lays?\na) drone\nb) queen\n\n1. Who feeds?\na) nurse\nb) drone\n\nAnswers\n1. B\n1. A", $read];
        yield 'numbers twice, one run of keys' => ["1. Who lays?\na) drone\nb) queen\n\n1. Who feeds?\na) nurse*\nb) drone\n\nAnswers\n1. B", ['!1: stands twice', 'one: Who feeds? / yes: nurse / no: drone']];
        yield 'a number twice in one run' => ["1. Who lays?\na) drone\nb) queen\n\n2. Who feeds?\na) nurse\nb) drone\n\n2. Who rests?\na) nurse\nb) drone*\n\n2. Who guards?\na) nurse\nb) drone\n\nAnswers\n1. B 2. A", [$read[0], '!5: 2 stands twice', 'one: Who rests? / no: nurse / yes: drone', '!13: 2 stands twice']];
        yield 'numbers twice that begin again elsewhere' => ["4. Who lays?\na) drone\nb) queen\n\n4. Who feeds?\na) nurse\nb) drone\n\nAnswers\n4. B 4. A", ['!1: 4 stands twice', '!5: 4 stands twice']];
        yield 'a list serves what stands above it' => ["1. Who lays?\na) drone\nb) queen\n\nKey: 1B 2A\n\n2. Who feeds?\na) nurse\nb) drone\n\nAnswers\n2. A", ['one: Who lays? / no: drone / yes: queen', 'one: Who feeds? / yes: nurse / no: drone', '!5: no question 2']];
        yield 'the list is at odds with a mark' => ["1. Who lays?\na) drone\nb) queen*\n\n2. Is it so?\n\nAnswers\n1. A\n2. T", ['!8: another key', 'true: Is it so?']];
    }

    /** @return iterable<string, array{string, list<string>}> */
    public static function words(): iterable
    {
        foreach (["1. It stings.\na) True\nb) False\nAnswer: b", "1. It stings.\nFalse\nTrue\nAnswer: F", "1. It stings.\nAnswer: False", '1. It stings. (F)', '1. It stings. [False]', "1. True or false: It stings.\nAnswer: F", "1. T/F: It stings.\nAnswer: F", '1. It stings. (True/**False**)', '1. It stings.   T  F*', "1. It stings.\na) T\nb) *F"] as $i => $paper) {
            yield "a claim, way $i" => [$paper, ['false: It stings.']];
        }
        yield 'yes and no are choices' => ["1. Does it?\na) Yes*\nb) No", ['one: Does it? / yes: Yes / no: No']];
        yield 'feedback at true and false' => ["1. It stings.\na) True\nFeedback: Only females do.\nb) False*\nFeedback: Right so.", ['false: It stings. / if right: Right so. / if wrong: Only females do.']];
        yield 'a blank' => ["1. A drone has no _____.\nAnswer: sting; stinger", ['gaps: A drone has no ___. / gap 1: sting / gap 1: stinger']];
        yield 'two blanks' => ["1. The ....... lays, the …… feed.\nAnswer: queen, workers / nurses", ['gaps: The ___ lays, the ___ feed. / gap 1: queen / gap 2: workers / gap 2: nurses']];
        yield 'numbered answers' => ["1. The ___ lays, the ___ feed.\nAnswer: 1) queen 2) workers", ['gaps: The ___ lays, the ___ feed. / gap 1: queen / gap 2: workers']];
        yield 'answer lines by number' => ["1. The ___ lays, the ___ feed.\nAnswer 1: queen\nAnswer 2: workers or nurses", ['gaps: The ___ lays, the ___ feed. / gap 1: queen / gap 2: workers / gap 2: nurses']];
        yield 'too few answers' => ["1. The ___ lays, the ___ feed.\nAnswer: queen", ['!2: 2 blanks, the answer gives 1']];
        yield 'a blank with choices' => ["1. The _____ lays.\na) drone\nb) queen*", ['one: The ___ lays. / no: drone / yes: queen']];
        yield 'wordings' => ["1. Who lays?\nAnswer: queen, the old one | Weisel; mother\nAlso accept: queen’s self\nAnswer: she", ["text: Who lays? / answer: queen, the old one / answer: Weisel / answer: mother / answer: queen's self / answer: she"]];

        foreach (['14.5 ± 0.5' => 'answer: 14.5 within 0.5', '14,5 +/- 0,5' => 'answer: 14.5 within 0.5', '14.5 plus or minus 0.5' => 'answer: 14.5 within 0.5', '14.5 (tolerance 0.5)' => 'answer: 14.5 within 0.5', '250 ± 2 %' => 'answer: 250 within 2 %', '12 to 13' => 'answer: 12 to 13', '12–13' => 'answer: 12 to 13', 'between 12 and 13' => 'answer: 12 to 13', '1,250' => 'answer: 1250', '1 1/2' => 'answer: 1 1/2', '−2 3/4 kg' => 'unit: kg / answer: -2 3/4', '1 1/2 ± 1/4' => 'answer: 1 1/2 within 0.25', '42 kg' => 'unit: kg / answer: 42', '35 °C ± 1' => 'unit: °C / answer: 35 within 1', '3 frames ± 1' => 'unit: frames / answer: 3 within 1'] as $answer => $read) {
            yield "the number $answer" => ["1. How much?\nAnswer: $answer", ["number: How much? / $read"]];
        }
        foreach (['007', '3 coaches', '12/05/2020 or so'] as $answer) {
            yield "no number: $answer" => ["1. How much?\nAnswer: $answer", str_contains($answer, ' or ') ? ['text: How much? / answer: 12/05/2020 / answer: so'] : ["text: How much? / answer: $answer"]];
        }

        foreach (['(2 points) Who lays?', 'Who lays? [2 pts]', 'Who lays? (2p)', 'Who lays? [2]', 'Who lays? – 2 marks', "Who lays?\nPoints: 2", "Who lays?\n2 points", 'Who lays? ( 2  points )'] as $stem) {
            yield 'points in ' . str_replace("\n", ' | ', $stem) => ["1. $stem\nAnswer: queen", ['text: Who lays? / points: 2 / answer: queen']];
        }
        yield 'points before the number' => ["(2 points) 1. Who lays?\nAnswer: queen", ['text: Who lays? / points: 2 / answer: queen']];
        yield 'two numbers' => ["1. How many?\nAnswer: 3 / 4", ['number: How many? / answer: 3 / answer: 4']];
        yield 'a half' => ["1. Who lays? (1½ marks)\nAnswer: queen", ['text: Who lays? / points: 1.5 / answer: queen']];
        yield 'no points' => ["1. Who lays (2)?\nAnswer: queen", ['text: Who lays (2)? / answer: queen']];
        yield 'points each stay' => ["1. Who lays? (2 points each)\nAnswer: queen", ['text: Who lays? (2 points each) / answer: queen']];
        yield 'too many points' => ["1. Who lays? (5000 points)\nAnswer: queen", ['!1: are no points']];

        yield 'feedback below choices' => ["1. Who lays?\na) drone\nBecause: He does not.\nb) queen*\nReason: She does.", ['one: Who lays? / no: drone / says: He does not. / yes: queen / says: She does.']];
        yield 'feedback below the last choice alone' => ["1. Who lays?\na) drone\nb) queen*\nExplanation: She does.", ['one: Who lays? / no: drone / yes: queen / if right: She does. / if wrong: She does.']];
        yield 'feedback after the answer' => ["1. Who lays?\na) drone\nb) queen\nAnswer: b\nRationale: She does.", ['one: Who lays? / no: drone / yes: queen / if right: She does. / if wrong: She does.']];
        yield 'feedback by letter' => ["1. Who lays?\na) drone\nb) queen*\nFeedback for A: He does not.\nIf correct: Well done.\nIf wrong: No.\nHint: Not he.", ['one: Who lays? / no: drone / says: He does not. / yes: queen / hint: Not he. / if right: Well done. / if wrong: No.']];
    }

    /** @return iterable<string, array{string, list<string>}> */
    public static function wholes(): iterable
    {
        $q = static fn (string $objective): string => "objective: $objective / text: Who? / answer: she";
        yield 'sharp signs' => ["# Bees\n## Queens\n1. Who?\nAnswer: she", [$q('Queens')]];
        yield 'ranks' => ["# Bees\n## Queens\n1. Who?\nAnswer: she\n# Plants\n1. Who?\nAnswer: she", [$q('Bees > Queens'), $q('Plants')]];
        yield 'underlined' => ["Bees\n====\nQueens\n------\n1. Who?\nAnswer: she\n\nPlants\n====\n1. Who?\nAnswer: she", [$q('Bees > Queens'), $q('Plants')]];
        yield 'a whole path' => ["Objective: Bees > Queens\n1. Who?\nAnswer: she", [$q('Bees > Queens')]];
        yield 'a label with a name' => ["Section 2: Queens\n1. Who?\nAnswer: she", [$q('Queens')]];
        yield 'a label alone' => ["Part B\n1. Who?\nAnswer: she", [$q('Part B')]];
        yield 'capitals' => ["QUEENS\n1. Who?\nAnswer: she", [$q('QUEENS')]];
        yield 'a sentence alone is none' => ["Queens are fine.\n\n1. Who?\nAnswer: she", ['text: Who? / answer: she']];
        yield 'kinds are none' => ["## Queens\n1. Who?\nAnswer: she\n## Multiple choice\n2. Who?\nAnswer: she", [$q('Queens'), $q('Queens')]];
        yield 'points each in a heading' => ["Part A: Queens (2 points each)\n1. Who?\nAnswer: she\n2. Who? (3 points)\nAnswer: she", ['objective: Queens / text: Who? / points: 2 / answer: she', 'objective: Queens / text: Who? / points: 3 / answer: she']];
        yield 'a heading that opens a question' => ["## Question 1\nWho?\nAnswer: she\n## Who lays?\na) drone\nb) queen*", ['text: Who? / answer: she', 'one: Who lays? / no: drone / yes: queen']];

        yield 'a heading of a number and points' => ["# Bees\n## Question 2 (3 points)\nWho?\nAnswer: she", ['objective: Bees / text: Who? / points: 3 / answer: she']];

        $pairs = 'pairs: Match them. / pair: Nurse / with: feeds / pair: Guard / with: stings';
        yield 'matching side by side' => ["1. Match them.\n1. Nurse    A. stings\n2. Guard    B. feeds\nAnswer: 1-B, 2-A", [$pairs]];
        yield 'matching one below the other, in a list of keys' => ["1. Match them.\n1. Nurse\n2. Guard\nA) stings\nB) feeds\nC) rests\n\n2. Who?\n\nAnswers\n1. 1B 2A\n2. she", [$pairs . ' / spare with: rests', 'text: Who? / answer: she']];
        yield 'matching with keys before' => ["1. Match them.\n__B__ 1. Nurse\n__A__ 2. Guard\nA. stings\nB. feeds", [$pairs]];
        yield 'a right side twice' => ["1. Match them.\n1. Nurse\n2. Guard\nA. stings\nB. feeds\nKey: 1=B 2=B", ['pairs: Match them. / pair: Nurse / with: feeds / pair: Guard / with: feeds / spare with: stings']];
        yield 'a left side without key' => ["1. Match them.\n1. Nurse\n2. Guard\nA. stings\nB. feeds\nKey: 1-B", ['!6: nothing for 2']];
        yield 'pairs as written' => ["1. Match them.\nNurse = feeds\nGuard → stings", [$pairs]];
        yield 'pairs in columns' => ["1. Match them.\nNurse\tfeeds\nGuard\tstings", [$pairs]];

        $order = 'order: Put in order. / item: smoker / item: lid / item: frame';
        foreach (["a) lid\nb) smoker\nc) frame\nAnswer: B, A, C", "a) lid\nb) smoker\nc) frame\nSequence: B-A-C", "a) lid\nb) smoker\nc) frame\nCorrect order: BAC", "1. lid\n2. smoker\n3. frame\nAnswer: 2, 1, 3", "- lid\n- smoker\n- frame\nOrder: B A C"] as $i => $items) {
            yield "ordering, way $i" => ["1. Put in order.\n$items\n\n2. Who?\nAnswer: she", [$order, 'text: Who? / answer: she']];
        }
        yield 'ordering with an item left out' => ["1. Put in order.\na) lid\nb) smoker\nc) frame\nAnswer: B, A", ['!5: names each item once']];
        yield 'ordering without key' => ["1. Put in order.\na) lid\nb) smoker", ['!1: key missing']];
        yield 'in order to is no order' => ["1. What is done in order to calm bees?\na) smoke*\nb) song", ['one: What is done in order to calm bees? / yes: smoke / no: song']];
        yield 'an order in a list of keys' => ["1. Arrange:\na) lid\nb) smoker\n\nAnswers\n1. B A", ['order: Arrange: / item: smoker / item: lid']];
        yield 'a matching key on the line below its word' => ["3. Match them.\n1. Nurse\n2. Guard\nA. stings\nB. feeds\n\nKey\n1-B, 2-A", [$pairs]];
        yield 'a heading of kinds with points each' => ["TRUE OR FALSE (3 points each)\n1. Bees fly. (T)\n\nSHORT ANSWERS (1 point each)\n2. Who?\nAnswer: she", ['true: Bees fly. / points: 3', 'text: Who? / points: 1 / answer: she']];
        yield 'nothing in it' => ["Dear colleague,\nthe paper comes tomorrow.", ['!1: no question']];
        yield 'a control character' => ["1. Who\x01 lays?\nAnswer: she\n2. Who?\nAnswer: she", ['!1: control character', 'text: Who? / answer: she']];
    }

    /** @return iterable<string, array{string, list<string>}> */
    public static function html(): iterable
    {
        $read = ['one: Who lays? / no: drone / yes: queen'];
        yield 'paragraphs' => ['<p>1. Who lays?</p><p>a) drone</p><p>b) <b>queen</b></p>', $read];
        yield 'the letter bold too' => ['<p>1. Who lays?</p><p>a) drone</p><p><strong>b) queen</strong></p>', $read];
        yield 'underlined in HTML' => ['<p><b>1. Who lays?</b></p><p>a) drone</p><p>b) <u>queen</u></p>', $read];
        yield 'by style, which wins over its tag' => ['<b style="font-weight:normal"><p>1. Who lays?</p><p>a) drone</p><p>b) <span style="font-weight:700">queen</span></p></b>', $read];
        yield 'emphasis on a part' => ['<p>1. Who <b>lays</b> <i>eggs</i>?</p><p>a) a <u>big</u> drone</p><p>b) <b>queen</b></p>', ['one: Who **lays** *eggs*? / no: a *big* drone / yes: queen']];
        yield 'lists' => ['<ol><li>Who lays?<ul><li>drone</li><li><b>queen</b></li></ul></li><li>Who feeds?<ol type="a"><li><b>nurse</b></li><li>drone</li></ol></li></ol>', [...$read, 'one: Who feeds? / yes: nurse / no: drone']];
        yield 'a list after a stem' => ['<p>1. Who lays?</p><ol><li>drone</li><li>queen</li></ol><p>Answer: B</p>', $read];
        yield 'stems by a list, with keys at the end' => ['<ol start="4"><li><p>Who lays?</p></li></ol><p>a) drone</p><p>b) queen</p><p>Answers</p><p>4. B</p>', $read];
        yield 'headings in HTML' => ['<h1>Guild paper</h1><h2>2. Queens</h2><p>1. Who?</p><p>Answer: she</p>', ['objective: Queens / text: Who? / answer: she']];
        yield 'a bold paragraph as heading' => ['<p><b>Queens</b></p><p>1. Who?</p><p>Answer: she</p>', ['objective: Queens / text: Who? / answer: she']];
        yield 'a paragraph after choices stands aside' => ['<p>1. Who lays?</p><p>a) drone</p><p>b) queen*</p><p>A word on bees.</p>', $read];
        yield 'paragraphs of a stem' => ['<p>1. Look.</p><p>Who lays?</p><p>Answer: she</p>', ['text: Look. / Who lays? / answer: she']];
        yield 'numbers as headings' => ['<h1>Queens</h1><h2>Question 2</h2><p>Who?</p><p>Answer: she</p><h2>Question 3 (2 points)</h2><p>Who lays?</p><p>Answer: she</p>', ['objective: Queens / text: Who? / answer: she', 'objective: Queens / text: Who lays? / points: 2 / answer: she']];
        yield 'rows' => ['<p>1. Match them.</p><table><tr><td>1. Nurse</td><td>A. stings</td></tr><tr><td><p>2. Guard</p></td><td><p>B. feeds</p></td></tr></table><p>Key: 1-B, 2-A</p>', ['pairs: Match them. / pair: Nurse / with: feeds / pair: Guard / with: stings']];
        yield 'as a word processor writes it' => ["<html><head><style>p{}</style></head><body><p class=A><span style='x:y'>1.<span>&nbsp;&nbsp; </span></span>Who lays?</p><p><span>a)&nbsp; </span>drone</p><p><b><span>b)&nbsp; </span>queen<o:p></o:p></b></p></body></html>", $read];
        yield 'signs, comments and scripts' => ['<!-- 9. No --><style>p{}</style><p>1.&nbsp;Who &lt;lays&gt;?</p><script>2. no</script><p>Answer:&nbsp;she</p>', ['text: Who <lays>? / answer: she']];
    }

    /** @param list<string> $read */
    #[DataProvider('stems')]
    #[DataProvider('choices')]
    #[DataProvider('lists')]
    #[DataProvider('words')]
    #[DataProvider('wholes')]
    #[DataProvider('html')]
    public function test_papers_are_read(string $paper, array $read): void
    {
        $off = ReadOff::of(new PaperSource($paper));
        self::assertTrue(ReadOff::fits($off, $read), implode("\n", $off));
        foreach ((new PaperSource($paper))->questions() as $found) {
            self::assertTrue($found->question === null || $found->why !== '', 'it says how kind and key were recognised');
        }
    }
}
