<?php

declare(strict_types=1);

namespace Tests\Browser;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Running;

/** A small day from an empty project to the report, with one finger: at most thirty-six touches, and nothing scrolled to. */
final class SmallDayTest extends TestCase
{
    private const FILES = __DIR__.'/../../database/demo/files';

    private const MOST = 36;

    /** three gullies of the drawing, each about there */
    private const GULLIES = [[78619.317, 41225.177], [78622.977, 41242.914], [78629.157, 41261.935]];

    private static ?Running $parlay = null;

    public static function setUpBeforeClass(): void
    {
        self::$parlay = new Running;
        self::$parlay->ask('POST', '/practice', ['do' => 'haste', 'factor' => 40]);
    }

    public static function tearDownAfterClass(): void
    {
        self::$parlay = null;
    }

    /** @return \Generator<string, array{int, int}> */
    public static function sizes(): \Generator
    {
        yield 'at a desk' => [1280, 670];
        yield 'on a tablet held upright' => [800, 1150];
    }

    #[DataProvider('sizes')]
    public function test_three_points_are_staked_from_nothing(int $width, int $height): void
    {
        $parlay = self::$parlay;
        \assert($parlay !== null);
        $s = new Screen(new Chrome($width, $height), $parlay->url);
        $finger = new Finger($s);
        $s->open('/projects');
        $finger->press('New project');
        $s->see('Name of the project');
        $s->driver->switchTo()->activeElement()->sendKeys("Small day $width");
        $finger->press('Start the project')
            ->press('Bring in control')
            ->give('Choose or drop a control file (CSV, text, LandXML, GeoJSON)', self::FILES.'/saltmarsh-yard-control.csv')
            ->press('Take 7 as control')
            ->press('Bring in a drawing')
            ->give(Screen::DESIGN_FILE, self::FILES.'/saltmarsh-yard.dxf')
            ->press('Take 10 layers')
            ->press('Make points by touch');
        $s->settle();
        preg_match('~/p/(\d+)/~', $s->driver->getCurrentURL(), $m);
        $id = (int) $m[1];
        foreach (self::GULLIES as $i => [$north, $east]) {
            $finger->plan($north, $east);
            $s->see('layer DRAINS');
            $finger->press('Make P'.($i + 1));
            self::assertTrue(Running::until(static fn () => count($parlay->ask('GET', "/projects/$id/points")) === $i + 1, 60));
            $s->settle();
        }
        $finger->press('Set up', true)
            ->press('Practice world')
            ->press('Bring the stand-in to this site');
        $s->see('the tape reads');
        $finger->press('Walks by itself to what is asked for');
        $tape = $parlay->ask('GET', '/practice')['tripod']['height'];
        $finger->type('Instrument height', (string) $tape)->press('As below');
        foreach (['CP1', 'CP2', 'CP3'] as $i => $mark) {
            self::arrived($parlay, $mark);
            $finger->press("Measure $mark");
            // Pressed before the page shows it, Accept is refused: nobody looked at the third sight then.
            self::assertTrue(Running::until(static fn () => substr_count($s->text(), 'plan, height') > $i, 60), "$mark is sighted");
        }
        $finger->press('Accept this setup');
        // The mark that proves most is offered: what the page shows before it knows is none.
        $s->see('Check shot')->settle();
        $offered = array_column($parlay->ask('GET', "/projects/$id/control"), 'name', 'id')[$parlay->ask('GET', "/projects/$id/checks")['offered']];
        $s->see("Check $offered");
        self::arrived($parlay, $offered);
        $finger->press("Check $offered")->press('Stake');
        foreach (range(1, 3) as $count) {
            // After a mark that is in, the next comes by itself.
            if ($count > 1) {
                $done = array_column($parlay->ask('GET', "/projects/$id/marks"), 'pointId');
                self::assertTrue(Running::until(static fn () => preg_match('~[?&]target=(\d+)~', $s->driver->getCurrentURL(), $m) === 1 && ! in_array((int) $m[1], $done, true), 20), 'the next came');
                $s->settle();
            } else {
                $finger->press('Nearest not yet done');
            }
            $s->see('as you hold the pole');
            $in = static fn (): bool => ! str_contains($s->text(), 'out of tolerance') && str_contains($s->text(), 'in tolerance');
            if (! Running::until($in, 20)) {
                // Whoever walks by close to the tripod is lost: a crew would let it search.
                $parlay->ask('POST', "/projects/$id/instrument/search", ['key' => "lost-$count-$width"]);
            }
            self::assertTrue(Running::until($in, 60), 'not walked to: '.$s->text());
            $finger->press('Measure and store');
            self::assertTrue(Running::until(
                static fn () => count(array_filter($parlay->ask('GET', "/projects/$id/marks"), static fn (array $m) => $m['kind'] === 'stake')) === $count, 20,
            ));
        }
        $last = array_column($parlay->ask('GET', "/projects/$id/marks"), null, 'id');
        $point = end($last);
        $finger->press('As-built', true);
        $s->settle();
        $finger->plan($point['found']['northing'], $point['found']['easting']);
        $finger->press('Measure ', true);
        self::assertTrue(Running::until(
            static fn () => in_array('as_built', array_column($parlay->ask('GET', "/projects/$id/marks"), 'kind'), true), 20,
        ));
        $finger->press('Hand over', true)->press('Print the report');
        $s->see('Open the report')->closeOpened();
        self::assertLessThanOrEqual(self::MOST, $finger->touches);
        fwrite(STDERR, "A small day at $width by $height: {$finger->touches} touches.\n");
    }

    /** Who measures too early measures somewhere else: the pole walks, and then it is here. */
    private static function arrived(Running $parlay, string $mark): void
    {
        self::assertTrue(Running::until(static function () use ($parlay, $mark): bool {
            $world = $parlay->ask('GET', '/practice');
            $at = array_column($world['marks'], null, 'name')[$mark] ?? null;

            return $at !== null && hypot($at['northing'] - $world['pole']['northing'], $at['easting'] - $world['pole']['easting']) < 1e-6;
        }, 90), "the pole stands on $mark");
    }
}
