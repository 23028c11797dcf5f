<?php

declare(strict_types=1);

namespace Parlay\Core\Setups;

use Parlay\Core\Adjustment\Significance;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Instrument\Accuracy;
use Parlay\Core\Instrument\Sight;
use Parlay\Core\Instrument\Station;
use Parlay\Core\Units\Angle;

/** The instrument stands on a known mark; its orientation comes from one backsight or several, or from a direction that is given. */
final readonly class KnownPoint
{
    /** Nearer than this a sight gives no direction worth having. */
    private const TOO_NEAR = 0.1;

    /** How far away a mark is taken to be whose distance was not measured, metres: centring turns a near one more. */
    private const UNKNOWN = 30.0;

    /**
     * @param  float  $planDeviation  of the mark's northing and of its easting, metres
     * @param  float  $heightDeviation  of its elevation
     */
    public function __construct(
        private Position $mark,
        private float $instrumentHeight,
        private Accuracy $accuracy,
        private float $planDeviation = 0.0,
        private float $heightDeviation = 0.0,
    ) {}

    /**
     * @param  list<ControlSight>  $sights
     *
     * @throws CannotSetUp
     */
    public function onBacksights(array $sights): SetupSolution
    {
        $back = array_values(array_filter($sights, static fn (ControlSight $s) => $s->givesDirection()));
        if ($back === []) {
            throw CannotSetUp::noBacksight();
        }
        foreach ($back as $s) {
            if ($this->mark->distanceTo($s->control) < self::TOO_NEAR) {
                throw CannotSetUp::backsightIsStation($s->name);
            }
        }
        $solution = (new StationAdjustment(
            $sights, $this->instrumentHeight, $this->accuracy,
            StationConstraint::mark($this->mark, $this->planDeviation, $this->heightDeviation, $this->accuracy),
        ))->places()[0];

        return $solution->withCautions($this->cautions($solution, $back));
    }

    /**
     * @param  Sight  $sight  to whatever has the direction
     * @param  float  $azimuth  it is said to have, radians
     * @param  float  $angleFactor  how much less certain its angles are than a mean of two faces
     */
    public function onDirection(Sight $sight, float $azimuth, float $angleFactor = 1.0): SetupSolution
    {
        $place = $this->planDeviation ** 2 + $this->accuracy->centring ** 2;
        // The instrument's own centring over its mark turns the direction as much as the pole's does.
        $off = $sight->hasDistance() ? max($sight->distance, self::TOO_NEAR) : self::UNKNOWN;
        $turn = $this->accuracy->centring ** 2 / $off;
        $across = hypot($this->accuracy->ofAngles($angleFactor)->ofDirection($off), $this->accuracy->centring / $off);
        // An instrument that stands beside its mark sees the other mark turned: so far to the right of the line, so much too far left.
        [$no, $eo] = [$turn * sin($azimuth), -$turn * cos($azimuth)];

        return new SetupSolution(
            new Station($this->mark, Angle::wrap($azimuth - $sight->circle), $this->instrumentHeight),
            new Precision(
                [[$place, 0.0, $no], [0.0, $place, $eo], [$no, $eo, $across ** 2]],
                $this->mark->elevation === null ? null : $this->heightDeviation ** 2 + $this->accuracy->height ** 2,
            ),
            [], 0, null,
            [
                Caution::that(CautionKind::DirectionGiven),
                ...($sight->hasDistance() ? [] : [Caution::by(CautionKind::SightedWithoutDistance, self::UNKNOWN)]),
            ],
            placeFound: false,
        );
    }

    /**
     * @param  list<ControlSight>  $back
     * @return list<Caution>
     */
    private function cautions(SetupSolution $solution, array $back): array
    {
        $cautions = count($back) === 1
            ? [Caution::that(CautionKind::OneBacksight)] : [];
        $byName = array_column(array_map(static fn (SightResidual $r) => [$r->name, $r], $solution->residuals), 1, 0);
        foreach ($back as $s) {
            $cautions = [...$cautions, ...$this->cautionsOf($s, $byName[$s->name])];
        }
        if ($this->mark->elevation === null && $solution->station->mark->elevation === null) {
            $cautions[] = Caution::that(CautionKind::StationHasNoElevation);
        }
        if ($solution->passes === false && count($back) > 1) {
            $cautions[] = Caution::by(CautionKind::BacksightsDiffer, (float) $solution->unitWeightDeviation);
        }

        return $cautions;
    }

    /** @return list<Caution> */
    private function cautionsOf(ControlSight $s, SightResidual $r): array
    {
        $accuracy = $this->accuracy->ofAngles($s->angleFactor);
        $known = $this->mark->distanceTo($s->control);
        $plan = hypot($this->planDeviation, $s->planDeviation);
        $cautions = [];
        if ($r->distance !== null
            && abs($r->distance) > Significance::TOLD * hypot(hypot($accuracy->ofDistance($known), $accuracy->centring), $plan)) {
            $cautions[] = Caution::of(CautionKind::DistanceDisagrees, $s->name);
        }
        if ($r->height === null) {
            return $this->mark->elevation === null ? $cautions : [...$cautions, Caution::of(CautionKind::HeightNotChecked, $s->name)];
        }
        if (abs($r->height) > Significance::TOLD * hypot(
            hypot(sqrt(ShotVariance::of($s->sight, $accuracy, max($known, 0.1))[2]), 0.002), hypot($this->heightDeviation, $s->heightDeviation),
        )) {
            $cautions[] = Caution::of(CautionKind::HeightDisagrees, $s->name);
        }

        return $cautions;
    }
}
