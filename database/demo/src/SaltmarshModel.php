<?php

declare(strict_types=1);

namespace Parlay\Demo;

use Parlay\Core\Civil\Alignments\Alignment;
use Parlay\Core\Civil\Alignments\Corner;
use Parlay\Core\Civil\Alignments\CornersRounded;
use Parlay\Core\Civil\Alignments\StationEquation;
use Parlay\Core\Civil\Alignments\Stationing;
use Parlay\Core\Civil\Profiles\Profile;
use Parlay\Core\Civil\Profiles\Vertex;
use Parlay\Core\Civil\Roads\CrossSection;
use Parlay\Core\Civil\Roads\CrossSections;
use Parlay\Core\Civil\Roads\RoadTemplate;
use Parlay\Core\Civil\Roads\Strip;
use Parlay\Core\Civil\Roads\Superelevation;
use Parlay\Core\Civil\Surfaces\Surface;
use Parlay\Core\Civil\Surfaces\SurfaceMaking;
use Parlay\Core\Formats\LandXml\AlignmentWriter;
use Parlay\Core\Formats\LandXml\LandXmlWriter;
use Parlay\Core\Formats\LandXml\SurfaceWriter;
use Parlay\Core\Geometry\Position;

/** The civil model of the tram depot, invented: an access road with spirals, a drain, the yard's surface in two phases, the ground before. */
final class SaltmarshModel
{
    /** The yard's level along its ridge, metres. */
    private const RIDGE = 4.42;

    public static function file(): string
    {
        $road = self::road();
        $drain = self::drain();

        return implode('', iterator_to_array(LandXmlWriter::pieces([], 'Saltmarsh Yard', '2026-11-02', '08:00:00', [
            AlignmentWriter::pieces('Access road', 'from the street to the hall', $road, [self::profile()], [self::sections($road)]),
            AlignmentWriter::pieces('Drain', 'collector beside the road', $drain, [new Profile([new Vertex(0.0, 2.95), new Vertex($drain->length, 2.45)], 'invert')], []),
        ], [
            SurfaceWriter::pieces('Yard finished, phase 1', 'east of the joint', self::surface(14.0, 70.0, self::finished(...))),
            SurfaceWriter::pieces('Yard finished, phase 2', 'west of the joint', self::surface(-48.0, 20.0, static fn (float $u, float $v): float => self::finished($u, $v) - 0.06)),
            SurfaceWriter::pieces('Ground before', 'survey of the spring', self::ground()),
        ]), false));
    }

    private static function at(float $u, float $v, ?float $z = null): Position
    {
        [$x, $y] = SaltmarshYard::place($u, $v);

        return new Position($y, $x, $z);
    }

    private static function corner(float $u, float $v, float $radius = 0.0, float $in = 0.0, float $out = 0.0): Corner
    {
        $p = self::at($u, $v);

        return new Corner($p->northing, $p->easting, $radius, $in, $out);
    }

    private static function road(): Alignment
    {
        $elements = CornersRounded::elements([
            self::corner(-92.0, 24.0), self::corner(-60.0, -33.0, 40.0, 18.0, 18.0), self::corner(22.0, -34.0, 70.0, 15.0, 12.0), self::corner(84.0, -14.0),
        ]);

        // Its first metres were counted by the street; from the gate it has stations of its own.
        return new Alignment($elements, new Stationing(1000.0, [new StationEquation(60.0, 1060.0, 2000.0)]));
    }

    private static function profile(): Profile
    {
        return new Profile([
            new Vertex(0.0, 3.62), Vertex::parabola(55.0, 4.30, 40.0), Vertex::unequalParabola(120.0, 4.05, 20.0, 30.0), new Vertex(self::road()->length, 4.36),
        ], 'finished');
    }

    private static function sections(Alignment $road): CrossSections
    {
        $lanes = [new Strip('lane', 3.25, -0.025), new Strip('kerb', 0.3, 0.04, false)];
        $template = new RoadTemplate($lanes, $lanes, [
            new Superelevation(20.0, -0.025, -0.025), new Superelevation(45.0, -0.04, 0.04), new Superelevation(80.0, -0.04, 0.04),
            new Superelevation(105.0, -0.025, -0.025),
        ]);
        $sections = [];
        for ($along = 0.0; $along < $road->length; $along += 10.0) {
            $sections[] = new CrossSection($along, $template->section($along, self::profile()->elevationAt($along)));
        }
        $sections[] = new CrossSection($road->length, $template->section($road->length, self::profile()->elevationAt($road->length)));

        return new CrossSections($sections, 'top');
    }

    private static function drain(): Alignment
    {
        return new Alignment(CornersRounded::elements([
            self::corner(-44.0, -28.0), self::corner(-20.0, -28.5), self::corner(30.0, -29.0), self::corner(62.0, -18.0),
        ]));
    }

    /** Falls from a ridge along the hall to both sides. */
    private static function finished(float $u, float $v): float
    {
        return self::RIDGE - 0.012 * abs($v - 13.0) - 0.004 * ($u - 14.0);
    }

    /** @param  callable(float, float): float  $level */
    private static function surface(float $from, float $to, callable $level): Surface
    {
        $points = [];
        for ($u = $from; $u <= $to; $u += 4.0) {
            foreach ([-26.0, -20.0, -14.0, -8.0, -2.0, 5.0, 13.0, 20.0, 27.0, 33.0, 39.0, 46.0, 52.0] as $v) {
                $points[] = self::at($u, $v, round($level($u, $v), 3));
            }
        }

        return SurfaceMaking::of($points)->surface;
    }

    private static function ground(): Surface
    {
        $points = [];
        for ($u = -105.0; $u <= 95.0; $u += 8.0) {
            for ($v = -50.0; $v <= 64.0; $v += 7.0) {
                $points[] = self::at($u + 1.7 * sin($u * $v), $v + 1.3 * cos($u + 3 * $v), round(4.05 + 0.22 * sin($u / 19) + 0.16 * cos($v / 13) + 0.03 * sin($u + $v), 3));
            }
        }

        return SurfaceMaking::of($points)->surface;
    }
}
