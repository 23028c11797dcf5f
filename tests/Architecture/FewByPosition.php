<?php

declare(strict_types=1);

namespace Tests\Architecture;

use Parlay\Core\Formats\Dxf\Transform;
use Parlay\Core\Geometry\Frame;
use PhpParser\Node;
use PhpParser\Node\Arg;
use PhpParser\Node\Expr\New_;
use PhpParser\Node\Name;
use PHPStan\Analyser\Scope;
use PHPStan\Rules\Rule;
use PHPStan\Rules\RuleErrorBuilder;

/**
 * Past eight values nobody sees which is which: what has more is made by their names.
 *
 * @implements Rule<New_>
 */
final class FewByPosition implements Rule
{
    private const MOST = 8;

    /** A matrix is read row by row. */
    private const MATRICES = [Frame::class, Transform::class];

    public function getNodeType(): string
    {
        return New_::class;
    }

    /** @param  New_  $node */
    public function processNode(Node $node, Scope $scope): array
    {
        if ($node->class instanceof Name && in_array($scope->resolveName($node->class), self::MATRICES, true)) {
            return [];
        }
        $byPosition = array_filter($node->getArgs(), static fn (Arg $a) => $a->name === null && ! $a->unpack);

        return count($byPosition) <= self::MOST ? []
            : [RuleErrorBuilder::message(count($byPosition).' values by position: make it by their names.')->identifier(
                'parlay.fewByPosition',
            )->build()];
    }
}
