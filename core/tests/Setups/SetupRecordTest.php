<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Setups;

use Parlay\Core\Geometry\Position;
use Parlay\Core\Setups\Caution;
use Parlay\Core\Setups\ControlSight;
use Parlay\Core\Setups\GridLines;
use Parlay\Core\Setups\KnownPoint;
use Parlay\Core\Setups\LineShot;
use Parlay\Core\Setups\ObservedKind;
use Parlay\Core\Setups\Resection;
use Parlay\Core\Setups\SetupRecord;
use Parlay\Core\Setups\SetupSolution;
use Parlay\Core\Setups\SiteLine;
use Parlay\Core\Setups\UnreadableRecord;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What was kept of a setup is read for good, by whichever version it was kept, and nothing else is taken for it. */
final class SetupRecordTest extends TestCase
{
    /** @return iterable<string, array{SetupSolution}> */
    public static function solutions(): iterable
    {
        $field = new Field(5, planDeviation: 0.002);
        yield 'resection' => [
            Resection::solve([...$field->sights(4), $field->controlSight('out “of” use', $field->mark())->unused()], 1.6, $field->accuracy),
        ];
        yield 'angles alone' => [
            Resection::solve(array_map(static fn (ControlSight $s) => $s->with(distance: false), $field->sights(4)), 1.6, $field->accuracy),
        ];
        yield 'distances alone' => [Resection::solve(
            array_map(static fn (ControlSight $s) => $s->with(direction: false), $field->sights(3)), 1.6, $field->accuracy,
        )];
        yield 'in plan alone' => [
            Resection::solve(array_map(static fn (ControlSight $s) => $s->with(height: false), $field->sights(3)), 1.6, $field->accuracy),
        ];
        yield 'backsight' => [
            (new KnownPoint($field->station, 1.6, $field->accuracy))->onBacksights([$field->controlSight('B', $field->mark())]),
        ];
        yield 'given direction' => [
            (new KnownPoint($field->station->at(null), 1.6, $field->accuracy))->onDirection($field->sight($field->mark()), 1.0),
        ];
        [$n, $e] = [$field->station->northing - 20.0, $field->station->easting - 15.0];
        $shots = [];
        foreach ([
            new SiteLine('A', new Position($n, $e), new Position($n, $e + 60.0)),
            new SiteLine('1', new Position($n, $e), new Position($n + 70.0, $e)),
        ] as $line) {
            foreach ([0.1, 0.5, 0.9] as $t) {
                $shots[] = new LineShot(
                    $line, $field->sight($line->from->along($line->azimuth(), $t * $line->from->distanceTo($line->to), 40.0)),
                    $t !== 0.5,
                );
            }
        }
        yield 'grid lines' => [(new GridLines($shots, 1.6, $field->accuracy))->places()[0]->solution];
    }

    #[DataProvider('solutions')]
    public function test_what_was_kept_comes_back_to_the_last_digit(SetupSolution $solution): void
    {
        $kept = json_encode(SetupRecord::write($solution), JSON_THROW_ON_ERROR);
        self::assertEquals($solution, SetupRecord::read(json_decode($kept, true), $solution->station));
        self::assertSame($kept, json_encode(SetupRecord::write(SetupRecord::read(json_decode($kept, true), $solution->station))));
    }

    /** Written down from a field book of that version; one kind is put in that this setup had not. */
    public function test_the_second_form_is_read(): void
    {
        $kept = json_decode((string) file_get_contents(__DIR__.'/setup-form-2.json'), true);
        $read = SetupRecord::read($kept, self::solution()->station);
        self::assertSame(
            [2, 1.7001093490748245, true, false], [$read->redundancy, $read->unitWeightDeviation, $read->passes, $read->placeFound],
        );
        self::assertSame([1.5e-3, 1e-3], [round($read->precision->northing(), 9), round((float) $read->precision->height(), 9)]);
        self::assertEquals([Caution::asKept($kept['cautions'][0])], $read->cautions);
        $sight = $read->residuals[0];
        self::assertSame(
            ['LC-3', -0.0014957921059846058, 0.003716272605519322, 2.32273049158085],
            [$sight->name, $sight->distance, $sight->height, $sight->normalised],
        );
        self::assertSame(
            [ObservedKind::Direction, ObservedKind::HorizontalDistance], array_column(array_slice($sight->observed, 0, 2), 'kind'),
        );
    }

    /** Written down from a field book of that version, with what it was asked for then. */
    public function test_the_first_form_is_read(): void
    {
        $kept = json_decode((string) file_get_contents(__DIR__.'/setup-form-1.json'), true);
        $station = self::solution()->station;
        $read = SetupRecord::read($kept, $station);
        self::assertSame(
            [$station, 2, true, true, true], [$read->station, $read->redundancy, $read->isOriented(), $read->placeFound, $read->passes],
        );
        self::assertSame(
            [0.0011, 0.0012, 0.0007],
            [round($read->precision->northing(), 4), round($read->precision->easting(), 4), round((float) $read->precision->height(), 4)],
        );
        self::assertSame(2.5e-7, $read->precision->plan[0][1]);
        self::assertSame([12.5, 4.0], [$read->scale?->ppm, $read->scale?->deviation]);
        self::assertSame(['CP1', 'CP2'], array_column($read->residuals, 'name'));
        [$used, $unused] = $read->residuals;
        self::assertSame([true, true, 1.5e-5, 0.0008, -0.0011, 0.0004, 0.41, 0.012, 1.2, 0.002], [
            $used->usedForPlan, $used->usedForHeight, $used->direction, $used->across, $used->distance, $used->height, $used->checked,
            $used->detectable, $used->normalised, $used->moves,
        ]);
        self::assertSame(['direction', 1.1e-5], [$used->observed[0]->kind->value, $used->observed[0]->residual]);
        self::assertSame([false, false, null], [$unused->isUsed(), $unused->usedForHeight, $unused->checked]);
        self::assertSame(
            ['A', 0.002, 0.5, null],
            [$read->shots[0]->line, $read->shots[0]->offset, $read->shots[0]->reliability?->redundancy, $read->shots[0]->moves],
        );
        self::assertNull($read->shots[1]->reliability);
        self::assertEquals([Caution::asKept('Only two sights.')], $read->cautions);
        // The earliest kept deviations alone.
        $earliest = SetupRecord::read([
            'northingDeviation' => 0.001, 'eastingDeviation' => 0.002, 'orientationDeviation' => 1e-5, 'heightDeviation' => null,
            'residuals' => [], 'cautions' => [], 'fit' => null,
        ], $station);
        self::assertEqualsWithDelta([0.001, 0.002, 1e-5, 0.0], [
            $earliest->precision->northing(), $earliest->precision->easting(), $earliest->precision->orientation(),
            $earliest->precision->plan[0][1],
        ], 1e-15);
        self::assertSame(
            [null, null, true, 0], [$earliest->precision->height(), $earliest->passes, $earliest->placeFound, $earliest->redundancy],
        );
    }

    /** @return iterable<string, array{string, mixed}> */
    public static function wrong(): iterable
    {
        foreach ([
            'version' => '3', 'oriented' => 1, 'placeFound' => null, 'planCovariance' => [1, 2, 3], 'heightVariance' => 'high',
            'redundancy' => 2.5, 'fit' => [], 'passes' => 'yes', 'scale' => 7, 'cautions' => [['kind' => 'other']],
            'sights' => ['x' => []], 'shots' => [3],
        ] as $key => $value) {
            yield $key => [$key, $value];
        }
        yield 'a name that is a number' => ['sights', [['name' => 7, 'plan' => true, 'height' => true]]];
        yield 'a kind that is none' => ['sights', [[
            'name' => 'A', 'plan' => true, 'height' => true,
            'observed' => [['kind' => 'smell', 'residual' => 0, 'deviation' => 1, 'redundancy' => 1]],
        ]]];
        yield 'a later version' => ['version', 4];
    }

    #[DataProvider('wrong')]
    public function test_what_is_no_record_is_refused_by_the_field(string $key, mixed $value): void
    {
        $this->expectException(UnreadableRecord::class);
        SetupRecord::read([$key => $value] + SetupRecord::write(self::solution()), self::solution()->station);
    }

    private static function solution(): SetupSolution
    {
        $field = new Field(5);

        return Resection::solve($field->sights(3), 1.6, $field->accuracy);
    }
}
