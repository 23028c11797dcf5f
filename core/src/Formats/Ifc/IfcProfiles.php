<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\Ifc;

use Parlay\Core\Buildings\Loop;
use Parlay\Core\Buildings\Profile;
use Parlay\Core\Buildings\RoundedLoop;
use Parlay\Core\Formats\Step\BrokenInstance;
use Parlay\Core\Formats\Step\Instance;
use Parlay\Core\Formats\Step\StepFile;
use Parlay\Core\Geometry\Frame;

/** Profiles of the file, each by the figures its class has (ISO 16739, resource profile). The middle of the box around a profile is its origin. */
final readonly class IfcProfiles
{
    private const DEEPEST = 10;

    private const MOST = 1_000;

    /** No flange slopes more, radians. */
    private const STEEPEST = 0.7;

    public function __construct(
        private StepFile $file,
        private IfcPlaces $places,
        private IfcCurves $curves,
    ) {}

    /**
     * One, or several of one that is put together.
     *
     * @return non-empty-list<Profile>
     *
     * @throws BrokenInstance
     */
    public function of(int $number, int $depth = 0): array
    {
        if ($depth > self::DEEPEST) {
            throw $this->places->broken($number, 'profiles stand within one another in a circle');
        }
        $p = $this->file->get($number);
        if ($p->class === 'IFCCOMPOSITEPROFILEDEF') {
            $all = [];
            foreach ($p->references(2) as $part) {
                array_push($all, ...$this->of($part, $depth + 1));
                if (count($all) > self::MOST) {
                    throw $this->places->broken($number, 'a profile put together of more than '.self::MOST);
                }
            }

            return $all === [] ? throw $this->places->broken($number, 'a profile put together of none') : $all;
        }
        if ($p->class === 'IFCDERIVEDPROFILEDEF' || $p->class === 'IFCMIRROREDPROFILEDEF') {
            $f = $p->reference(3);
            $map = $p->class === 'IFCMIRROREDPROFILEDEF' ? [-1.0, 0.0, 0.0, 0.0, 1.0, 0.0]
                : self::plane($this->places->operator($f ?? throw $this->places->broken($number, 'it is not said what is done with the profile')));
            $parent = $p->reference(2) ?? throw $this->places->broken($number, 'a profile made from none');

            return array_map(static fn (Profile $q) => $q->mapped($map), $this->of($parent, $depth + 1));
        }

        return [$this->single($p)];
    }

    private function single(Instance $p): Profile
    {
        if (str_starts_with($p->class, 'IFCARBITRARY')) {
            $outline = $this->curves->loop($p->reference(2) ?? throw $this->places->broken($p->number, 'a profile without an outline'));

            return $this->whole($p, Profile::of($outline, $p->class === 'IFCARBITRARYPROFILEDEFWITHVOIDS' ? array_map($this->curves->loop(...), $p->references(3)) : []));
        }
        $profile = $this->parametric($p);
        $at = $p->reference(2);

        return $this->whole($p, $at === null ? $profile : $profile->mapped(self::plane($this->places->axes($at))));
    }

    private function whole(Instance $p, Profile $profile): Profile
    {
        return $profile->area() > 1e-12 ? $profile : throw $this->places->broken($p->number, 'a profile without area');
    }

    private function parametric(Instance $p): Profile
    {
        $d = fn (int $attribute): float => $this->length($p, $attribute);
        $r = fn (int $attribute): float => $this->places->coordinate($p->number($attribute) ?? 0.0, $p->number);
        $slope = fn (int $attribute): float => tan(max(-self::STEEPEST, min(self::STEEPEST, $this->curves->angle($p->number($attribute) ?? 0.0))));
        switch ($p->class) {
            case 'IFCRECTANGLEPROFILEDEF':
                return Profile::of(self::box($d(3), $d(4), 0.0));
            case 'IFCROUNDEDRECTANGLEPROFILEDEF':
                return Profile::of(self::box($d(3), $d(4), $r(5)));
            case 'IFCRECTANGLEHOLLOWPROFILEDEF':
                return Profile::of(self::box($d(3), $d(4), $r(7)), [self::box($this->above($p, $d(3) - 2 * $d(5)), $this->above($p, $d(4) - 2 * $d(5)), $r(6))]);
            case 'IFCCIRCLEPROFILEDEF':
                return Profile::of(Loop::circle(0.0, 0.0, $d(3)));
            case 'IFCCIRCLEHOLLOWPROFILEDEF':
                return Profile::of(Loop::circle(0.0, 0.0, $d(3)), [Loop::circle(0.0, 0.0, $this->above($p, $d(3) - $d(4)))]);
            case 'IFCELLIPSEPROFILEDEF':
                return Profile::of(Loop::circle(0.0, 0.0, 1.0)->mapped([$d(3), 0.0, 0.0, 0.0, $d(4), 0.0]));
            case 'IFCTRAPEZIUMPROFILEDEF':
                [$b, $t, $h, $o] = [$d(3), $d(4), $d(5), $r(6)];

                return Profile::of(new Loop([[-$b / 2, -$h / 2], [$b / 2, -$h / 2], [-$b / 2 + $o + $t, $h / 2], [-$b / 2 + $o, $h / 2]]));
            case 'IFCISHAPEPROFILEDEF':
                $flange = [$d(3), $d(6), $r(7), $r(8), $slope(9)];

                return Profile::of(self::iShape($d(4), $d(5), $flange, $flange));
            case 'IFCASYMMETRICISHAPEPROFILEDEF':
                // IFC2X3 has the upper flange after the fillet of the lower, IFC4 too; its thickness may be left out there.
                // After them IFC4 has edges and slopes, where IFC2X3 has the centre of gravity.
                $late = count($p->attributes) >= 15;

                return Profile::of(self::iShape(
                    $d(4), $d(5), [$d(3), $d(6), $r(7), $late ? $r(11) : 0.0, $late ? $slope(12) : 0.0],
                    [$d(8), $p->number(9) === null ? $d(6) : $d(9), $r(10), $late ? $r(13) : 0.0, $late ? $slope(14) : 0.0],
                ));
            case 'IFCLSHAPEPROFILEDEF':
                [$h, $w, $t, $f, $e] = [$d(3), $p->number(4) === null ? $d(3) : $d(4), $d(5), $r(6), $r(7)];
                $s = $slope(8);
                // Both legs are as thick as said at their middle; their inner sides meet where both have grown by the slope.
                $x = ($t * (1 - $s) + $s * $h / 2 - $s * $s * $w / 2) / (1 - $s * $s);
                $y = $t + $s * ($w / 2 - $x);

                return Profile::of(RoundedLoop::of([
                    [-$w / 2, -$h / 2, 0.0], [$w / 2, -$h / 2, 0.0], [$w / 2, -$h / 2 + $t - $s * $w / 2, $e], [-$w / 2 + $x, -$h / 2 + $y, $f],
                    [-$w / 2 + $t - $s * $h / 2, $h / 2, $e], [-$w / 2, $h / 2, 0.0],
                ]));
            case 'IFCTSHAPEPROFILEDEF':
                return Profile::of($this->tShape([$d(3), $d(4), $d(5), $d(6)], [$r(7), $r(8), $r(9)], $slope(10), $slope(11)));
            case 'IFCUSHAPEPROFILEDEF':
                [$h, $w, $web, $flange, $f, $e] = [$d(3), $d(4), $d(5), $d(6), $r(7), $r(8)];
                // As thick as said in the middle of the flange.
                [$thin, $thick] = [$flange - $slope(9) * $w / 2, $flange + $slope(9) * ($w / 2 - $web)];

                return Profile::of(RoundedLoop::of([
                    [-$w / 2, -$h / 2, 0.0], [$w / 2, -$h / 2, 0.0], [$w / 2, -$h / 2 + $thin, $e], [-$w / 2 + $web, -$h / 2 + $thick, $f],
                    [-$w / 2 + $web, $h / 2 - $thick, $f], [$w / 2, $h / 2 - $thin, $e], [$w / 2, $h / 2, 0.0], [-$w / 2, $h / 2, 0.0],
                ]));
            case 'IFCCSHAPEPROFILEDEF':
                [$h, $w, $t, $g, $f] = [$d(3), $d(4), $d(5), $d(6), $r(7)];
                $outer = $f > 0.0 ? $f + $t : 0.0;

                return Profile::of(RoundedLoop::of([
                    [-$w / 2, -$h / 2, $outer], [$w / 2, -$h / 2, $outer], [$w / 2, -$h / 2 + $g, 0.0], [$w / 2 - $t, -$h / 2 + $g, 0.0],
                    [$w / 2 - $t, -$h / 2 + $t, $f], [-$w / 2 + $t, -$h / 2 + $t, $f], [-$w / 2 + $t, $h / 2 - $t, $f], [$w / 2 - $t, $h / 2 - $t, $f],
                    [$w / 2 - $t, $h / 2 - $g, 0.0], [$w / 2, $h / 2 - $g, 0.0], [$w / 2, $h / 2, $outer], [-$w / 2, $h / 2, $outer],
                ]));
            case 'IFCZSHAPEPROFILEDEF':
                [$h, $w, $web, $flange, $f, $e] = [$d(3), $d(4), $d(5), $d(6), $r(7), $r(8)];

                return Profile::of(RoundedLoop::of([
                    [-$web / 2, -$h / 2, 0.0], [$w - $web / 2, -$h / 2, 0.0], [$w - $web / 2, -$h / 2 + $flange, $e], [$web / 2, -$h / 2 + $flange, $f],
                    [$web / 2, $h / 2, 0.0], [$web / 2 - $w, $h / 2, 0.0], [$web / 2 - $w, $h / 2 - $flange, $e], [-$web / 2, $h / 2 - $flange, $f],
                ]));
        }
        throw $this->places->broken($p->number, "{$p->class} is a profile Parlay does not read");
    }

    private static function box(float $w, float $h, float $radius): Loop
    {
        return RoundedLoop::of([[-$w / 2, -$h / 2, $radius], [$w / 2, -$h / 2, $radius], [$w / 2, $h / 2, $radius], [-$w / 2, $h / 2, $radius]]);
    }

    /**
     * @param  array{float, float, float, float, float}  $low  of the lower flange: width, thickness a quarter of it from the middle, fillet, edge, slope
     * @param  array{float, float, float, float, float}  $up
     */
    private static function iShape(float $h, float $web, array $low, array $up): Loop
    {
        [$b, , $bf, $be] = $low;
        [$t, , $tf, $te] = $up;
        [$bEdge, $bWeb] = self::thickness($low, $web);
        [$tEdge, $tWeb] = self::thickness($up, $web);

        return RoundedLoop::of([
            [-$b / 2, -$h / 2, 0.0], [$b / 2, -$h / 2, 0.0], [$b / 2, -$h / 2 + $bEdge, $be], [$web / 2, -$h / 2 + $bWeb, $bf],
            [$web / 2, $h / 2 - $tWeb, $tf], [$t / 2, $h / 2 - $tEdge, $te], [$t / 2, $h / 2, 0.0], [-$t / 2, $h / 2, 0.0],
            [-$t / 2, $h / 2 - $tEdge, $te], [-$web / 2, $h / 2 - $tWeb, $tf], [-$web / 2, -$h / 2 + $bWeb, $bf], [-$b / 2, -$h / 2 + $bEdge, $be],
        ]);
    }

    /**
     * @param  array{float, float, float, float, float}  $flange
     * @return array{float, float} how thick a flange is at its edge, and where it meets the web
     */
    private static function thickness(array $flange, float $web): array
    {
        [$width, $thick, , , $slope] = $flange;

        return [$thick - $slope * $width / 4, $thick + $slope * ($width / 4 - $web / 2)];
    }

    /**
     * The web hangs below the flange, as thick as said at half of the depth.
     *
     * @param  array{float, float, float, float}  $sizes  depth, width, thickness of web and flange
     * @param  array{float, float, float}  $radii  fillet, edge of the flange, edge of the web
     */
    private function tShape(array $sizes, array $radii, float $webSlope, float $slope): Loop
    {
        [$h, $w, $web, $flange] = $sizes;
        [$f, $fe, $we] = $radii;
        $foot = $web / 2 - $webSlope * $h / 2;
        $edge = $flange - $slope * $w / 4;
        // Where the side of the web, x = web/2 + webSlope · y, meets the underside of the flange, y = h/2 - flange - slope · (w/4 - x).
        $y = ($h / 2 - $flange - $slope * ($w / 4 - $web / 2)) / (1 - $slope * $webSlope);
        $x = $web / 2 + $webSlope * $y;

        return RoundedLoop::of([
            [-$foot, -$h / 2, $we], [$foot, -$h / 2, $we], [$x, $y, $f], [$w / 2, $h / 2 - $edge, $fe],
            [$w / 2, $h / 2, 0.0], [-$w / 2, $h / 2, 0.0], [-$w / 2, $h / 2 - $edge, $fe], [-$x, $y, $f],
        ]);
    }

    private function length(Instance $p, int $attribute): float
    {
        return $this->above($p, $this->places->coordinate($p->number($attribute) ?? 0.0, $p->number));
    }

    private function above(Instance $p, float $length): float
    {
        return $length > 0.0 ? $length : throw $this->places->broken($p->number, "a figure of {$p->class} is missing, 0 or below");
    }

    /** @return array{float, float, float, float, float, float} as for Loop::mapped() */
    private static function plane(Frame $f): array
    {
        return [$f->a, $f->b, $f->x, $f->d, $f->e, $f->y];
    }
}
