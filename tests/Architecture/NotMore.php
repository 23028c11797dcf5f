<?php

declare(strict_types=1);

namespace Tests\Architecture;

use PhpParser\Node;
use PhpParser\Node\Expr\BinaryOp\Greater;
use PhpParser\Node\Expr\BinaryOp\GreaterOrEqual;
use PhpParser\Node\Expr\BinaryOp\Smaller;
use PhpParser\Node\Expr\BinaryOp\SmallerOrEqual;
use PhpParser\Node\Expr\BooleanNot;
use PHPStan\Analyser\Scope;
use PHPStan\Rules\Rule;
use PHPStan\Rules\RuleErrorBuilder;

/**
 * "Not more than" refuses what is no number, until PHP's optimizer makes "less or the same" of it, which takes it: seen with PHP 8.2, whose
 * opcache turns !($a > $b) into $a <= $b. What is no number is asked for by its name.
 *
 * @implements Rule<BooleanNot>
 */
final class NotMore implements Rule
{
    public function getNodeType(): string
    {
        return BooleanNot::class;
    }

    /** @param  BooleanNot  $node */
    public function processNode(Node $node, Scope $scope): array
    {
        $e = $node->expr;

        return ! $e instanceof Greater && ! $e instanceof GreaterOrEqual && ! $e instanceof Smaller && ! $e instanceof SmallerOrEqual ? []
            : [RuleErrorBuilder::message('PHP may take what is no number here: compare the other way round, and ask is_nan().')->identifier(
                'parlay.notMore',
            )->build()];
    }
}
