<?php

declare(strict_types=1);

namespace Zetema\Tests\Core\Exchange\Qti;

use Zetema\Core\Exchange\Qti\QtiSource;
use Zetema\Core\Exchange\Qti\Unmatched;
use Zetema\Core\Exchange\TextFormat\Page;
use Zetema\Core\Exchange\TextFormat\Writer;
use Zetema\Core\Question\Problem;

/** Items of the standard in few words, and what they are read as. */
final class Items
{
    /** An item around declarations, a body and its rules. */
    public static function xml(string $inside, string $identifier = 'lead', string $more = ''): string
    {
        return '<assessmentItem xmlns="http://www.imsglobal.org/xsd/imsqti_v2p1" identifier="' . $identifier . '" title="Leads" adaptive="false" timeDependent="false"' . $more . ">\n" . $inside . "\n</assessmentItem>";
    }

    /** A response variable. */
    public static function response(string $correct, string $cardinality = 'single', string $type = 'identifier', string $more = '', string $identifier = 'RESPONSE'): string
    {
        $values = implode('', array_map(static fn (string $v): string => "<value>$v</value>", $correct === '' ? [] : explode('|', $correct)));

        return "<responseDeclaration identifier=\"$identifier\" cardinality=\"$cardinality\" baseType=\"$type\">" . ($values === '' ? '' : "<correctResponse>$values</correctResponse>") . $more . '</responseDeclaration>';
    }

    /** @param array<string, string> $worths */
    public static function mapping(array $worths, string $attributes = 'defaultValue="0"'): string
    {
        return "<mapping $attributes>" . implode('', array_map(static fn (string|int $key, string $worth): string => "<mapEntry mapKey=\"$key\" mappedValue=\"$worth\"/>", array_keys($worths), $worths)) . '</mapping>';
    }

    /** @param array<string, string> $choices text by identifier */
    public static function choices(array $choices, string $attributes = 'shuffle="false" maxChoices="1"', string $prompt = 'Which?'): string
    {
        return "<itemBody><choiceInteraction responseIdentifier=\"RESPONSE\" $attributes><prompt>$prompt</prompt>" .
            implode('', array_map(static fn (string|int $id, string $text): string => "<simpleChoice identifier=\"$id\">$text</simpleChoice>", array_keys($choices), $choices)) .
            '</choiceInteraction></itemBody>';
    }

    public static function template(string $name): string
    {
        return "<responseProcessing template=\"http://www.imsglobal.org/question/qti_v2p1/rptemplates/$name\"/>";
    }

    public static function set(string $expression, string $outcome = 'SCORE'): string
    {
        return "<setOutcomeValue identifier=\"$outcome\">$expression</setOutcomeValue>";
    }

    public static function number(string $number, string $type = 'float'): string
    {
        return "<baseValue baseType=\"$type\">$number</baseValue>";
    }

    /** Whether the response is the correct one. */
    public static function right(string $identifier = 'RESPONSE'): string
    {
        return "<match><variable identifier=\"$identifier\"/><correct identifier=\"$identifier\"/></match>";
    }

    /** @param array<string, string> $branches what is done, by its condition; '' for else */
    public static function when(array $branches): string
    {
        $xml = '';
        foreach ($branches as $condition => $then) {
            $name = $xml === '' ? 'responseIf' : ($condition === '' ? 'responseElse' : 'responseElseIf');
            $xml .= "<$name>$condition$then</$name>";
        }

        return "<responseCondition>$xml</responseCondition>";
    }

    public static function rules(string ...$rules): string
    {
        return '<responseProcessing>' . implode('', $rules) . '</responseProcessing>';
    }

    /** @return array{text: string, unmatched: list<string>, problems: list<string>, pages: list<Page>} the text format of what was read, without a first line's blank */
    public static function read(string $xml): array
    {
        $source = new QtiSource($xml, 'lead.xml');
        $text = '';
        $problems = [];
        foreach ($source->questions() as $found) {
            $text .= $found->question === null ? '' : (new Writer())->question($found->question);
            array_push($problems, ...$found->problems);
        }
        $report = $source->report();

        return [
            'text' => trim($text),
            'unmatched' => array_map(static fn (Unmatched $u): string => $u->what, $report->unmatched),
            'problems' => array_map(static fn (Problem $p): string => $p->message, [...$problems, ...$report->problems]),
            'pages' => $report->pages,
        ];
    }
}
