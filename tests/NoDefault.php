<?php

declare(strict_types=1);

namespace Zetema\Tests;

use PhpParser\Node;
use PhpParser\Node\Expr\Match_;
use PHPStan\Analyser\Scope;
use PHPStan\Rules\Rule;
use PHPStan\Rules\RuleErrorBuilder;
use PHPStan\Type\TypeCombinator;

/**
 * A match over a closed set names all its cases: with a default a case that is added later would be taken for another, and nobody told.
 *
 * @implements Rule<Match_>
 */
final class NoDefault implements Rule
{
    public function getNodeType(): string
    {
        return Match_::class;
    }

    public function processNode(Node $node, Scope $scope): array
    {
        $type = TypeCombinator::removeNull($scope->getType($node->cond));
        if (!$type->isEnum()->yes()) {
            return [];
        }
        foreach ($node->arms as $arm) {
            if ($arm->conds === null) {
                return [RuleErrorBuilder::message('A match over a closed set names all its cases, and has no default.')->identifier('zetema.noDefault')->line($arm->getStartLine())->build()];
            }
        }

        return [];
    }
}
