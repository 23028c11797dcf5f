<?php

declare(strict_types=1);

namespace Tests\Architecture;

use PHPat\Selector\Selector;
use PHPat\Selector\SelectorInterface;
use PHPat\Test\Builder\Rule;
use PHPat\Test\PHPat;

/** Arrows between subjects run one way: a rule for each subject of the table. */
final class FloorsTest
{
    /** @return iterable<string, Rule> */
    public function testSubjectsOfTheApplicationKnowThoseBelow(): iterable
    {
        foreach (Floors::above(Floors::APP) as $subject => $above) {
            yield $subject => PHPat::rule()->classes(self::app($subject))->excluding(Selector::inNamespace('/^App\\\\(\w+\\\\)?Http/', true))
                ->shouldNotDependOn()->classes(...array_map(self::app(...), $above))
                ->because('subjects stand on floors, and none knows what is above (docs/house.md)');
        }
    }

    /** @return iterable<string, Rule> */
    public function testSubjectsOfCoreKnowThoseBelow(): iterable
    {
        foreach (Floors::above(Floors::CORE) as $subject => $above) {
            yield $subject => PHPat::rule()->classes(self::core($subject))
                ->shouldNotDependOn()->classes(...array_map(self::core(...), $above))
                ->because('no two folders of core know each other (docs/house.md)');
        }
    }

    /** A folder, or what lies in none. */
    private static function app(string $subject): SelectorInterface
    {
        return $subject === 'App' ? Selector::classname('/^App\\\\\w+$/', true) : Selector::inNamespace("App\\$subject");
    }

    private static function core(string $subject): SelectorInterface
    {
        return $subject === 'Core' ? Selector::classname('/^Parlay\\\\Core\\\\\w+$/', true) : Selector::inNamespace("Parlay\\Core\\$subject");
    }
}
