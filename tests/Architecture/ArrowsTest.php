<?php

declare(strict_types=1);

namespace Tests\Architecture;

use PHPat\Selector\Selector;
use PHPat\Test\Builder\Rule;
use PHPat\Test\PHPat;

/** One direction: core knows nothing of anything else, the simulator knows core, the app knows both. */
final class ArrowsTest
{
    /** The common frame, and each subject's own folder. */
    private const HTTP = '/^App\\\\(\w+\\\\)?Http/';

    public function testCoreKnowsNothingElse(): Rule
    {
        return PHPat::rule()->classes(Selector::inNamespace('Parlay\Core'))
            ->shouldNotDependOn()->classes(
                Selector::inNamespace('App'), Selector::inNamespace('Parlay\Words'), Selector::inNamespace('Parlay\Simulator'),
                Selector::inNamespace('Illuminate'), Selector::inNamespace('React'), Selector::inNamespace('Symfony'),
            )
            ->because('the rules of the job hold without framework, database and interface');
    }

    public function testWordsKnowCoreOnly(): Rule
    {
        return PHPat::rule()->classes(Selector::inNamespace('Parlay\Words'))
            ->shouldNotDependOn()->classes(
                Selector::inNamespace('App'), Selector::inNamespace('Parlay\Simulator'), Selector::inNamespace('Illuminate'),
            )
            ->because('what core found is said by whoever asks, on a screen or on paper');
    }

    /** Lengths and angles are written, and read, at the edges. */
    public function testRulesKnowNoStyle(): Rule
    {
        return PHPat::rule()->classes(
            Selector::inNamespace('Parlay\Core\Setups'), Selector::inNamespace('Parlay\Core\Stakeout'),
            Selector::inNamespace('Parlay\Core\Cogo'), Selector::inNamespace('Parlay\Core\Adjustment'),
            Selector::inNamespace('Parlay\Core\Geometry'), Selector::inNamespace('Parlay\Core\Control'),
            Selector::inNamespace('Parlay\Core\Designs'), Selector::inNamespace('Parlay\Core\Fit'),
            Selector::inNamespace('Parlay\Core\Instrument'), Selector::inNamespace('Parlay\Core\Points'),
        )
            ->shouldNotDependOn()->classes(
                Selector::classname('Parlay\Core\Units\LengthStyle'), Selector::classname('Parlay\Core\Units\AngleStyle'),
                Selector::classname('Parlay\Core\Units\DirectionStyle'),
            )
            ->because('rules speak in metres and radians');
    }

    public function testTheSimulatorKnowsCoreOnly(): Rule
    {
        return PHPat::rule()->classes(Selector::inNamespace('Parlay\Simulator'))
            ->shouldNotDependOn()->classes(Selector::inNamespace('App'), Selector::inNamespace('Illuminate'))
            ->because('the stand-in is an instrument, not a part of Parlay');
    }

    public function testModelsKnowPersistence(): Rule
    {
        return PHPat::rule()->classes(Selector::inNamespace('/^App\\\\\w+\\\\Models/', true))
            ->shouldNotDependOn()->classes(Selector::inNamespace(self::HTTP, true), Selector::inNamespace('/^App\\\\\w+\\\\Actions/', true))
            ->because('models know persistence');
    }

    /** The rules of the application hold for a worker, a command and the process of the instrument as for a request. */
    public function testNothingButHttpKnowsHttp(): Rule
    {
        return PHPat::rule()->classes(Selector::inNamespace('App'))->excluding(Selector::inNamespace(self::HTTP, true))
            ->shouldNotDependOn()->classes(
                Selector::inNamespace(self::HTTP, true), Selector::inNamespace('Illuminate\Http'),
                Selector::inNamespace('Symfony\Component\HttpFoundation'), Selector::inNamespace('OpenApi'),
            )
            ->because('what a subject can do is known without the interface that asks for it');
    }

    public function testOnlyPracticeKnowsTheStandIn(): Rule
    {
        return PHPat::rule()->classes(Selector::inNamespace('App'))
            ->excluding(Selector::inNamespace('App\Practice'), Selector::inNamespace('App\Providers'))
            ->shouldNotDependOn()->classes(Selector::classname('App\Practice\StandInDriver'))
            ->because('Parlay knows an instrument only through the contract in core');
    }

    /** What is computed is computed of places and lines, whichever drawing or file they came from. */
    public function testComputationsKnowNoDrawingsAndPointsNoFiles(): Rule
    {
        return PHPat::rule()->classes(
            Selector::inNamespace('Parlay\Core\Cogo'), Selector::inNamespace('Parlay\Core\Points'),
            Selector::inNamespace('Parlay\Core\Geometry'), Selector::inNamespace('Parlay\Core\Adjustment'),
        )
            ->shouldNotDependOn()->classes(Selector::inNamespace('Parlay\Core\Designs'), Selector::inNamespace('Parlay\Core\Formats'))
            ->because('arrows inside core run one way, too');
    }
}
