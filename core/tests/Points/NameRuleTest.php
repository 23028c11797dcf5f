<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Points;

use Parlay\Core\Points\NameRule;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class NameRuleTest extends TestCase
{
    /** @return iterable<string, array{NameRule, list<string>}> */
    public static function rules(): iterable
    {
        yield 'as they are' => [new NameRule, ['A7', 'A7', 'B12', '<b>"ü"']];
        yield 'prefix and suffix' => [new NameRule('N-{name}.x'), ['N-A7.x', 'N-A7.x', 'N-B12.x', 'N-<b>"ü".x']];
        yield 'numbers with step and digits' => [new NameRule('P{number}', from: 10, step: 5, digits: 3), ['P010', 'P015', 'P020', 'P025']];
        yield 'replaced' => [new NameRule(find: 'A', replace: 'Axis '), ['Axis 7', 'Axis 7', 'B12', '<b>"ü"']];
        yield 'letters, digits and code' => [new NameRule('{code}/{digits}{letters}'), ['AN/7A', 'AN/7A', 'AN/12B', 'AN/<b>"ü"']];
        yield 'two ends of one thing share a number' => [
            new NameRule('R{number}', digits: 2, endings: [' top', ' foot']), ['R01 top', 'R01 foot', 'R02 top', 'R03 top'],
        ];
        yield 'more ends than endings' => [new NameRule('{name}', endings: ['a']), ['A7a', 'A72', 'B12a', '<b>"ü"a']];
        yield 'counting down below zero' => [new NameRule('{number}', from: 1, step: -1, digits: 2), ['01', '00', '-01', '-02']];
    }

    /** @param  list<string>  $names */
    #[DataProvider('rules')]
    public function test_names_follow_the_rule(NameRule $rule, array $names): void
    {
        self::assertSame($names, $rule->names([['A7', 'AN'], ['A7', 'AN'], ['B12', 'AN'], ['<b>"ü"', 'AN']]));
    }

    public function test_an_unknown_place_in_a_pattern_is_named(): void
    {
        $this->expectExceptionMessage('“{colour}” is not known');
        (new NameRule('{colour}'))->names([['A', '']]);
    }
}
