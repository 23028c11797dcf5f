<?php

declare(strict_types=1);

namespace App\Setups\Actions;

use App\Control\Models\ControlPoint;
use App\Points\Models\StakeoutPoint;
use App\Projects\Models\Project;
use App\Setups\DraftInputs;
use App\Setups\HeightMode;
use App\Setups\SetupMethod;
use App\Setups\SolvedDraft;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Setups\Blunders\BlunderDetection;
use Parlay\Core\Setups\Blunders\Explanation;
use Parlay\Core\Setups\Blunders\Occupied;
use Parlay\Core\Setups\CannotSetUp;
use Parlay\Core\Setups\ControlSight;
use Parlay\Core\Setups\GridLines;
use Parlay\Core\Setups\GridPlace;
use Parlay\Core\Setups\KnownPoint;
use Parlay\Core\Setups\MeasuredBaseline;
use Parlay\Core\Setups\Resection;
use Parlay\Core\Setups\SetUpAgain;
use Parlay\Core\Setups\SetupSolution;
use Parlay\Core\Setups\ShortBase;
use Parlay\Core\Setups\WeakFigure;
use Parlay\Core\Setups\Weakness;

/** What the draft's sights give; stores nothing. */
final class SolveSetup
{
    /** @throws \DomainException where they give nothing yet */
    public function __invoke(DraftInputs $in): SolvedDraft
    {
        $height = $in->draft->instrumentHeight;

        return match ($in->draft->method) {
            SetupMethod::Resection => new SolvedDraft(Resection::places($in->sights(), $height, $in->accuracy()), $in->draft->place),
            SetupMethod::KnownBacksight => new SolvedDraft([self::knownPoint($in)->onBacksights(self::notItself($in))]),
            SetupMethod::KnownDirection => new SolvedDraft([self::onDirection($in)]),
            SetupMethod::GridLines => self::gridLines($in),
            SetupMethod::Baseline => self::baseline($in),
            SetupMethod::HeightOnly => new SolvedDraft([self::again($in)->height($in->sights(), $height)]),
            SetupMethod::OrientationOnly => new SolvedDraft([self::again($in)->orientation($in->sights())]),
        };
    }

    /** The point farthest from a place that is still to be staked; null where there is none. */
    public static function farthest(Project $project, Position $from): ?Position
    {
        $row = StakeoutPoint::of($project)->open()
            ->toBase()->orderByRaw(
                '(northing - ?) * (northing - ?) + (easting - ?) * (easting - ?) DESC',
                [$from->northing, $from->northing, $from->easting, $from->easting],
            )->first(['northing', 'easting']);

        return $row === null ? null : new Position((float) $row->northing, (float) $row->easting);
    }

    /** What is weak about the figure, in a sentence; null where it will do. */
    public static function weakness(DraftInputs $in, SolvedDraft $solved, ?Position $farthest): ?Weakness
    {
        $solution = $solved->solution();
        if ($in->draft->method === SetupMethod::Resection) {
            return WeakFigure::measured($solution, $in->sights(), $in->accuracy(), $farthest, $in->positions())->weakness();
        }
        $short = self::shortest($in, $solved);

        return $short === null ? null : WeakFigure::ofShort($short, $solution, $in->accuracy(), $farthest);
    }

    /** What the orientation hangs on where it does not come from a resection. */
    private static function shortest(DraftInputs $in, SolvedDraft $solved): ?ShortBase
    {
        $mark = $solved->solution()->station->mark;
        $used = array_filter($in->sights(), static fn (ControlSight $s) => $s->givesDirection());
        $longest = $used === [] ? null : array_reduce($used, static fn (?ControlSight $a, ControlSight $b) => $a !== null
            && $mark->distanceTo($a->control) >= $mark->distanceTo($b->control) ? $a : $b);

        return match ($in->draft->method) {
            SetupMethod::GridLines => (new GridLines(
                $in->lineShots(), $in->draft->instrumentHeight, $in->accuracy(), $in->sights(),
            ))->shortest(),
            SetupMethod::KnownBacksight, SetupMethod::OrientationOnly => $longest === null
                ? null
                : ShortBase::backsight($longest->name, $mark->distanceTo($longest->control)),
            SetupMethod::KnownDirection => ($in->otherSights()[0] ?? null)?->sight->hasDistance()
                ? ShortBase::direction($in->otherSights()[0]->sight->distance)
                : null,
            SetupMethod::Baseline => $solved->baseline === null ? null : ShortBase::baseline($solved->baseline->length),
            default => null,
        };
    }

    /**
     * Why the sights in use don't fit; null where nothing is suspected.
     *
     * @return list<Explanation>|null the likeliest first
     */
    public function explanations(DraftInputs $in): ?array
    {
        $on = $in->draft->method === SetupMethod::KnownBacksight ? self::occupied($in) : null;
        if ($on === null && $in->draft->method !== SetupMethod::Resection) {
            return null;
        }

        return BlunderDetection::explain(
            $in->sights(), $in->positions(), $in->accuracy(), $in->project->length_style->unit(), $on,
            $in->project->angle_style->unit(),
        );
    }

    /** The mark under the tripod; null where it isn't said yet which. */
    private static function occupied(DraftInputs $in): ?Occupied
    {
        $mark = $in->control->get($in->draft->stationControlId);

        return $mark === null ? null : new Occupied(
            $mark->name, $mark->position(), $in->draft->instrumentHeight, $mark->planError(),
            $mark->heightError(), $in->instrument?->notch_radius > 0.0 ? $in->instrument->notch() : null,
            $in->draft->heightMode === HeightMode::Slanted ? $in->draft->slantedHeight : null,
        );
    }

    private static function station(DraftInputs $in): ControlPoint
    {
        return $in->control->get($in->draft->stationControlId)
            ?? throw new \DomainException('Say which control point the instrument stands on.');
    }

    private static function knownPoint(DraftInputs $in): KnownPoint
    {
        $mark = self::station($in);

        return new KnownPoint($mark->position(), $in->draft->instrumentHeight, $in->accuracy(), $mark->planError(), $mark->heightError());
    }

    /** @return list<ControlSight> */
    private static function notItself(DraftInputs $in): array
    {
        $station = self::station($in);
        $sights = $in->sights();
        foreach ($sights as $s) {
            if ($s->isUsed() && $s->name === $station->name) {
                throw CannotSetUp::backsightIsStation($station->name);
            }
        }

        return $sights;
    }

    private static function onDirection(DraftInputs $in): SetupSolution
    {
        $sighted = $in->otherSights()[0] ?? throw new \DomainException('Sight the mark that has the direction, and measure it.');

        return self::knownPoint($in)->onDirection($sighted->sight, $in->draft->azimuth, $sighted->angleFactor);
    }

    private static function gridLines(DraftInputs $in): SolvedDraft
    {
        $lines = new GridLines($in->lineShots(), $in->draft->instrumentHeight, $in->accuracy(), $in->sights());
        $places = $lines->places();

        return new SolvedDraft(array_map(static fn (GridPlace $p) => $p->solution, $places), $in->draft->place, $places, $lines->angle());
    }

    private static function baseline(DraftInputs $in): SolvedDraft
    {
        $sights = $in->otherSights();
        if (count($sights) < 2) {
            throw new \DomainException(
                'Measure the two marks of the baseline: '.(count($sights) === 0 ? 'the first one now.' : 'the second one now.'),
            );
        }
        $d = $in->draft;
        $baseline = MeasuredBaseline::solve(
            new Position($d->assumedNorthing, $d->assumedEasting, $d->assumedElevation), $d->instrumentHeight, $sights[0]->sight,
            $sights[1]->sight, $d->azimuth, $in->accuracy(), $d->length > 0 ? $d->length : null,
            [$sights[0]->angleFactor, $sights[1]->angleFactor],
        );

        return new SolvedDraft([$baseline->solution], 0, [], null, $baseline);
    }

    private static function again(DraftInputs $in): SetUpAgain
    {
        $current = $in->current ?? throw new \DomainException('No setup holds yet whose height or orientation could be found again.');

        return new SetUpAgain($current->station(), $current->precision(), $in->accuracy());
    }
}
