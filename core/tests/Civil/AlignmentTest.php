<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Civil;

use Parlay\Core\Civil\Alignments\Alignment;
use Parlay\Core\Civil\Alignments\AlignmentDrawing;
use Parlay\Core\Civil\Alignments\AlignmentRecord;
use Parlay\Core\Civil\Alignments\Corner;
use Parlay\Core\Civil\Alignments\CornersRounded;
use Parlay\Core\Civil\Alignments\Element;
use Parlay\Core\Civil\Alignments\MainPoint;
use Parlay\Core\Civil\Alignments\NoAlignment;
use Parlay\Core\Civil\Alignments\StationEquation;
use Parlay\Core\Civil\Alignments\Stationing;
use Parlay\Core\Civil\Alignments\TransitionLaw;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Tests\Reference;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class AlignmentTest extends TestCase
{
    /** Fresnel integrals (Abramowitz & Stegun, table 7.7): with A²π = L² the clothoid ends at L·C(1), L·S(1). */
    public function test_a_clothoid_ends_where_the_fresnel_integrals_say(): void
    {
        foreach ([[0.5, 0.492344, 0.064732], [1.0, 0.779893, 0.438259], [2.0, 0.488253, 0.343416]] as [$u, $c, $s]) {
            // Direction πt²/2 at t: curvature πt over the length of one.
            $end = Element::spiral(new Position(0, 0), 0.0, $u, 0.0, M_PI * $u)->end();
            self::assertEqualsWithDelta([$c, $s], [$end->northing, $end->easting], 1e-6);
        }
    }

    /** Every law by numerical integration of its curvature: scipy's quad, to a tenth of a millimetre over two kilometres. */
    public function test_every_spiral_is_the_integral_of_its_curvature(): void
    {
        $laws = [TransitionLaw::Clothoid, TransitionLaw::Bloss, TransitionLaw::Cosine, TransitionLaw::Sinusoid, TransitionLaw::Biquadratic];
        $cases = [];
        foreach ($laws as $law) {
            foreach ([[2000.0, 0.0, 1 / 300], [60.0, 1 / 250, 0.0], [120.0, -1 / 400, -1 / 90], [80.0, 1 / 200, -1 / 200]] as [$length, $from, $to]) {
                $cases[] = [$law->value, $length, $from, $to];
            }
        }
        $expected = Reference::python(<<<'PY'
            import math
            from scipy.integrate import quad
            k={'clothoid':lambda u:u,'bloss':lambda u:3*u*u-2*u**3,'cosine':lambda u:(1-math.cos(math.pi*u))/2,
               'sinusoid':lambda u:u-math.sin(2*math.pi*u)/(2*math.pi),'biquadratic':lambda u:2*u*u if u<.5 else 1-2*(1-u)**2}
            out=[]
            for law,L,a,b in input:
                # Direction by a fine Simpson rule of the curvature alone, so that nothing of ours is in it.
                n=20000
                h=L/n
                kap=[a+(b-a)*k[law](i/n) for i in range(n+1)]
                th=[0.0]
                for i in range(0,n,2):
                    th.append(th[-1]+h/3*(kap[i]+4*kap[i+1]+kap[i+2]))
                x=y=0.0
                m=len(th)-1
                H=2*h
                for i in range(0,m,2):
                    x+=H/3*(math.cos(th[i])+4*math.cos(th[i+1])+math.cos(th[i+2]))
                    y+=H/3*(math.sin(th[i])+4*math.sin(th[i+1])+math.sin(th[i+2]))
                if law=='clothoid':
                    f=lambda s:a*s+(b-a)*s*s/(2*L)
                    x2=quad(lambda s:math.cos(f(s)),0,L,limit=2000,epsabs=1e-10)[0]
                    y2=quad(lambda s:math.sin(f(s)),0,L,limit=2000,epsabs=1e-10)[0]
                    assert abs(x-x2)<1e-6 and abs(y-y2)<1e-6
                out.append([x,y])
            print(json.dumps(out))
            PY, $cases);
        foreach ($cases as $i => [$law, $length, $from, $to]) {
            $end = Element::spiral(new Position(0, 0), 0.0, $length, $from, $to, TransitionLaw::from($law))->end();
            self::assertEqualsWithDelta($expected[$i], [$end->northing, $end->easting], 1e-4, "$law over $length");
        }
    }

    /** y = x³/(6RX) itself, and its length by Simpson's rule in scipy. */
    public function test_a_cubic_parabola_is_the_curve_it_is_named_for(): void
    {
        [$radius, $length] = [250.0, 70.0];
        $spiral = Element::spiral(new Position(0, 0), 0.0, $length, 0.0, 1 / $radius, TransitionLaw::CubicParabola);
        $x = $spiral->end()->northing;
        foreach ([0.2, 0.5, 0.9, 1.0] as $share) {
            $p = $spiral->at($length * $share);
            self::assertEqualsWithDelta($p->northing ** 3 / (6 * $radius * $x), $p->easting, 1e-9);
        }
        $whole = Reference::python("from scipy.integrate import quad\nR,X=input\nprint(json.dumps(quad(lambda x:(1+(x*x/(2*R*X))**2)**.5,0,X)[0]))", [$radius, $x]);
        self::assertEqualsWithDelta($length, $whole, 1e-7);
        // The other way round it is the same curve.
        $back = $spiral->reversed();
        self::assertEqualsWithDelta(0.0, $back->at(20.0)->distanceTo($spiral->at($length - 20.0)), 1e-9);
        self::assertEqualsWithDelta(0.0, $back->end()->distanceTo($spiral->start), 1e-9);
    }

    /** Radius 100, a quarter turn (closed form): length 157.080, chord 141.421; 200 along lies 42.920 beyond its end. */
    public function test_an_arc_and_straight_on_beyond_it(): void
    {
        $arc = new Alignment([Element::arc(new Position(0, 0), 0.0, 100 * M_PI_2, 0.01)]);
        self::assertEqualsWithDelta(157.080, $arc->length, 5e-4);
        self::assertEqualsWithDelta(141.421, $arc->at(0.0)->distanceTo($arc->at($arc->length)), 5e-4);
        self::assertEqualsWithDelta(42.920, $arc->at(200.0)->distanceTo($arc->at($arc->length)), 5e-4);
        $foot = $arc->foot($arc->at(200.0, -3.0));
        self::assertEqualsWithDelta([200.0, -3.0], [$foot->along, $foot->offset], 1e-9);
    }

    private static function road(): Alignment
    {
        return new Alignment(CornersRounded::elements([
            new Corner(5_000_000, 400_000), new Corner(5_000_100, 400_200, 80, 30, 40), new Corner(5_000_300, 400_220, 60),
            new Corner(5_000_350, 400_400, 120, 25, 0), new Corner(5_000_600, 400_380),
        ]));
    }

    /** There and back on ten thousand random places, coordinates in the millions. */
    public function test_station_and_offset_lead_there_and_back(): void
    {
        $road = self::road();
        self::assertSame([], $road->faults());
        mt_srand(14);
        $random = static fn (float $from, float $to): float => $from + ($to - $from) * mt_rand() / mt_getrandmax();
        for ($i = 0; $i < 10_000; $i++) {
            [$along, $right] = [$random(-20, $road->length + 20), $random(-25, 25)];
            $place = $road->at($along, $right);
            $foot = $road->foot($place);
            // In a bend another place of it may be nearer; then that one is given, and is nearer indeed.
            if (abs($foot->along - $along) > 1e-4) {
                self::assertLessThan(abs($right) + 1e-4, abs($foot->offset));
            }
            self::assertLessThan(1e-4, $road->at($foot->along, $foot->offset)->distanceTo($place));
        }
    }

    /** Hand figures of a corner of 90° without spirals: tangent R, external distance R(√2-1). */
    public function test_corners_are_rounded_and_named(): void
    {
        $road = new Alignment(CornersRounded::elements([new Corner(0, 0), new Corner(200, 0, 50), new Corner(200, 200)]), new Stationing(1000.0));
        self::assertEqualsWithDelta([150.0, 150 + 50 * M_PI_2], array_slice($road->begins, 1, 2), 1e-9);
        self::assertEqualsWithDelta(50 * (M_SQRT2 - 1), $road->at(150 + 50 * M_PI_4)->distanceTo(new Position(200, 0)), 1e-9);
        self::assertSame(['BP', 'PC', 'PT', 'EP'], array_map(static fn (MainPoint $p) => $p->kind->value, MainPoint::of($road)));
        self::assertSame(
            ['BP', 'TS', 'SC', 'CS', 'ST', 'PC', 'PT', 'TS', 'SC', 'PT', 'EP'],
            array_map(static fn (MainPoint $p) => $p->kind->value, MainPoint::of(self::road())),
        );
    }

    #[DataProvider('impossible')]
    public function test_what_has_no_room_is_refused_with_the_corner(array $corners, string $says): void
    {
        $this->expectException(NoAlignment::class);
        $this->expectExceptionMessageMatches("~$says~");
        CornersRounded::elements($corners);
    }

    public static function impossible(): array
    {
        return [
            'no room' => [[new Corner(0, 0), new Corner(30, 0, 50), new Corner(30, 200)], 'Corner 2 has no room.*50\.000 m.*30\.000 m'],
            'spirals too long' => [[new Corner(0, 0), new Corner(300, 0, 50, 100, 100), new Corner(300, 300)], 'corner 2.*spirals turn further'],
            'straight on' => [[new Corner(0, 0), new Corner(100, 0, 50), new Corner(200, 0)], 'corner 2.*straight'],
            'one alone' => [[new Corner(0, 0)], 'one element or more'],
        ];
    }

    /** A bend by 200°: inside it one stands square to it twice. */
    public function test_several_feet_are_said_the_nearest_first(): void
    {
        $bend = new Alignment([
            Element::line(new Position(0, 0), 0.0, 100.0), Element::arc(new Position(100, 0), 0.0, 20 * M_PI, 1 / 20),
            Element::line(new Position(100, 40), M_PI, 100.0),
        ]);
        $feet = $bend->feet(new Position(50, 15), 60.0);
        self::assertEqualsWithDelta([50.0, 15.0], [$feet[0]->along, $feet[0]->offset], 1e-9);
        self::assertEqualsWithDelta([100 + 20 * M_PI + 50, 25.0], [$feet[1]->along, $feet[1]->offset], 1e-9);
    }

    public function test_gaps_and_kinks_are_found_with_their_size(): void
    {
        $broken = new Alignment([
            Element::line(new Position(0, 0), 0.0, 50.0), Element::line(new Position(50.25, 0), 0.0, 50.0), Element::line(new Position(100.25, 0), 0.02, 50.0),
        ]);
        [$gap, $kink] = $broken->faults();
        self::assertEqualsWithDelta([0.25, 0.0, 50.0], [$gap->gap, $gap->kink, $gap->along], 1e-9);
        self::assertEqualsWithDelta([0.0, 0.02, 100.0], [$kink->gap, $kink->kink, $kink->along], 1e-9);
    }

    public function test_stations_that_overlap_and_stations_that_jump(): void
    {
        // Counted back by twenty at 100, and on by fifty at 200.
        $s = new Stationing(0.0, [new StationEquation(200.0, 180.0, 230.0), new StationEquation(100.0, 100.0, 80.0)]);
        self::assertSame([1, 2, 2, 3], array_map($s->regionAt(...), [99.9, 100.0, 199.9, 200.0]));
        self::assertEqualsWithDelta([99.0, 80.0, 180.0 - 1, 230.0], array_map($s->stationAt(...), [99.0, 100.0, 199.0, 200.0]), 1e-9);
        // 90 stands twice, 200 nowhere.
        self::assertEqualsWithDelta([90.0, 110.0], $s->placesOf(90.0, 300.0), 1e-9);
        self::assertSame([], $s->placesOf(200.0, 300.0));
        $line = new Alignment([Element::line(new Position(0, 0), 0.0, 300.0)], $s);
        self::assertEqualsWithDelta(
            [0.0, 50.0, 120.0, 170.0, 220.0, 270.0], AlignmentDrawing::stations($line, 50.0), 1e-9, 'stations 0, 50, 100, 150, 250, 300',
        );
    }

    public function test_it_is_kept_to_the_last_bit(): void
    {
        $road = self::road();
        $again = AlignmentRecord::read(json_decode((string) json_encode(AlignmentRecord::of($road), JSON_PRESERVE_ZERO_FRACTION), true));
        self::assertSame(0.0, $again->at(123.456, 7.8)->distanceTo($road->at(123.456, 7.8)));
    }

    /** A million metres about a radius of ten would be half a million steps of the integration: it is refused before the first. */
    public function test_spirals_of_nonsense_are_refused_at_once(): void
    {
        foreach ([
            static fn () => Element::spiral(new Position(0, 0), 0.0, 1e6, 0.0, 0.1),
            static fn () => CornersRounded::elements([new Corner(0, 0), new Corner(100, 0, 10.0, 1e6, 1e6), new Corner(100, 100)]),
        ] as $make) {
            $before = memory_get_usage();
            try {
                $make();
                self::fail('It was made.');
            } catch (NoAlignment $e) {
                self::assertStringContainsString('spiral', $e->getMessage());
                self::assertLessThan(100_000, memory_get_usage() - $before);
            }
        }
    }

    public function test_a_foot_on_an_arc_has_the_direction_and_the_curvature_of_where_it_is(): void
    {
        $bend = new Alignment([Element::line(new Position(0, 0), 0.0, 100.0), Element::arc(new Position(100, 0), 0.0, 25 * M_PI, 1 / 50)]);
        // An eighth of a turn into the arc about (100, 50), 4 m outside of it.
        $foot = $bend->feet(new Position(100 + 54 * sin(M_PI / 4), 50 - 54 * cos(M_PI / 4)), 10.0)[0];
        self::assertEqualsWithDelta([100 + 12.5 * M_PI, -4.0, M_PI / 4, 1 / 50], [$foot->along, $foot->offset, $foot->azimuth, $foot->curvature], 1e-9);
        $far = $bend->feet(new Position(50, 30), 10.0);
        self::assertCount(1, $far, 'beyond what was asked for the nearest is said all the same');
        self::assertEqualsWithDelta([50.0, 30.0], [$far[0]->along, $far[0]->offset], 1e-9);
    }
}
