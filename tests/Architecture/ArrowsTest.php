<?php

declare(strict_types=1);

namespace Tests\Architecture;

use PHPat\Selector\Selector;
use PHPat\Test\Builder\Rule;
use PHPat\Test\PHPat;

/** One direction: core knows nothing of anything else, the simulator knows core, the app knows both. */
final class ArrowsTest
{
    public function testCoreKnowsNothingElse(): Rule
    {
        return PHPat::rule()->classes(Selector::inNamespace('Parlay\Core'))
            ->shouldNotDependOn()->classes(Selector::inNamespace('App'), Selector::inNamespace('Parlay\Simulator'), Selector::inNamespace('Illuminate'), Selector::inNamespace('React'), Selector::inNamespace('Symfony'))
            ->because('the rules of the job hold without framework, database and interface');
    }

    public function testTheSimulatorKnowsCoreOnly(): Rule
    {
        return PHPat::rule()->classes(Selector::inNamespace('Parlay\Simulator'))
            ->shouldNotDependOn()->classes(Selector::inNamespace('App'), Selector::inNamespace('Illuminate'))
            ->because('the stand-in is an instrument, not a part of Parlay');
    }

    public function testModelsKnowNothingOfTheScreen(): Rule
    {
        return PHPat::rule()->classes(Selector::inNamespace('App\Models'))
            ->shouldNotDependOn()->classes(Selector::inNamespace('App\Http'), Selector::inNamespace('App\Actions'))
            ->because('models know persistence');
    }

    public function testOnlyTheDriverIsTheStandIn(): Rule
    {
        return PHPat::rule()->classes(Selector::inNamespace('App\Actions'), Selector::inNamespace('App\Http\Controllers'))
            ->shouldNotDependOn()->classes(Selector::classname('App\Instrument\StandInDriver'))
            ->because('Parlay knows an instrument only through the contract in core');
    }

    /** What is computed is computed of places and lines, whichever drawing or file they came from. */
    public function testComputationsKnowNoDrawingsAndPointsNoFiles(): Rule
    {
        return PHPat::rule()->classes(Selector::inNamespace('Parlay\Core\Cogo'), Selector::inNamespace('Parlay\Core\Points'), Selector::inNamespace('Parlay\Core\Geometry'), Selector::inNamespace('Parlay\Core\Adjustment'))
            ->shouldNotDependOn()->classes(Selector::inNamespace('Parlay\Core\Design'), Selector::inNamespace('Parlay\Core\Formats'))
            ->because('arrows inside core run one way, too');
    }
}
