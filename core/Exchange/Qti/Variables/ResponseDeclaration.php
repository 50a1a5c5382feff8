<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Qti\Variables;

use Zetema\Core\Exchange\Qti\Xml\Element;

/** A response variable: what it may hold, what is right, what values are worth. */
final readonly class ResponseDeclaration
{
    private function __construct(
        public string $identifier,
        public string $cardinality,
        public string $type,
        public ?Value $correct,
        public ?Mapping $mapping,
        public ?Element $areaMapping,
        public Element $element,
    ) {
    }

    public static function of(Element $declaration): self
    {
        $type = $declaration->attribute('baseType') ?? 'identifier';
        $cardinality = $declaration->attribute('cardinality') ?? 'single';
        $mapping = $declaration->child('mapping');
        $correct = $declaration->child('correctResponse');

        return new self(
            $declaration->attribute('identifier') ?? '',
            $cardinality,
            $type,
            $correct === null
                ? null
                : Value::of($type, $cardinality, array_map(static fn (Element $v): string => $v->text(), $correct->children('value'))),
            $mapping === null ? null : Mapping::of($mapping, $type),
            $declaration->child('areaMapping'),
            $declaration,
        );
    }

    /** @param array{int, int} $size of the picture */
    public function areas(array $size): ?AreaMapping
    {
        return $this->areaMapping === null ? null : AreaMapping::of($this->areaMapping, $size);
    }

    /** @param list<string> $written */
    public function value(array $written): ?Value
    {
        return Value::of($this->type, $this->cardinality, $written);
    }
}
