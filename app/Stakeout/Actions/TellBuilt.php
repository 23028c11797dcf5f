<?php

declare(strict_types=1);

namespace App\Stakeout\Actions;

use App\Control\Models\GridLine;
use App\Projects\Models\Project;
use App\Stakeout\Aimed;
use App\Stakeout\AimKind;
use App\Stakeout\BuiltPart;
use App\Stakeout\BuiltShot;
use App\Stakeout\Lean;
use App\Stakeout\MeasuredBy;
use App\Stakeout\Models\Mark;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Setups\ShotVariance;
use Parlay\Core\Stakeout\FaceShot;
use Parlay\Core\Stakeout\Flatness;
use Parlay\Core\Stakeout\Plumb;
use Parlay\Core\Stakeout\Verdict;
use Parlay\Words\Compass;

/** How faces and axes of things were built: every shot, how flat, and how far out of plumb. */
final class TellBuilt
{
    /** @return list<BuiltPart> those shot last first */
    public function __invoke(Project $project): array
    {
        $groups = [];
        foreach (Mark::of($project)->whereIn('aimed->kind', [AimKind::Face->value, AimKind::Axis->value])->with('observation')->orderBy('id')->get() as $mark) {
            // Of a wall that a revision has moved the shots before are shots on another one.
            $groups["$mark->aim_key\n$mark->design_source"][] = $mark;
        }

        return array_reverse(array_values(array_map(fn (array $marks): BuiltPart => $this->part($project, $marks), $groups)));
    }

    /** @param  non-empty-list<Mark>  $marks */
    private function part(Project $project, array $marks): BuiltPart
    {
        $aimed = $marks[count($marks) - 1]->aimed() ?? throw new \LogicException('It was made to something.');
        $shots = array_map(self::shot(...), $marks);
        $isFace = $aimed->kind === AimKind::Face;
        // Without a height it is not known where on the face, or beside the axis, a shot lies.
        $known = array_values(array_filter($shots, static fn (BuiltShot $s): bool => $s->elevation !== null));
        $flat = $isFace ? Flatness::of(array_map(static fn (BuiltShot $s): array => self::alongFace($aimed, $s), $known)) : null;
        [$leans, $plumb] = $isFace ? self::faceLeans($aimed, $known, self::shotDeviation($marks)) : self::axisLeans($project, $marks);
        $chance = $flat?->bow === null ? null : Flatness::byChance($flat->count, self::shotDeviation($marks));

        return new BuiltPart(
            key: $marks[0]->aim_key, kind: $aimed->kind, name: $aimed->name, thing: $aimed->thing, shots: $shots, least: $flat?->least, most: $flat?->most,
            mean: $flat?->mean, bow: $flat?->bow, leans: $leans, height: $plumb->height ?? 0.0, oneIn: $plumb?->oneIn(),
            uncertain: $plumb?->uncertain, turn: $plumb?->turn, length: $plumb->length ?? 0.0, turnUncertain: $plumb?->turnUncertain,
            bowByChance: $chance, plumbConforms: $project->builtTolerance()->plumb($plumb, $project->decisionRule()), flatConforms: $project->builtTolerance()->flat($flat?->bow, $chance),
        );
    }

    /**
     * What all share, such as the setup's error, leans nothing. Metres.
     *
     * @param  non-empty-list<Mark>  $marks
     */
    private static function shotDeviation(array $marks): float
    {
        return ShotVariance::ofOne(array_map(static function (Mark $m): array {
            $o = $m->observation ?? throw new \LogicException('A mark has its reading.');

            return [$o->sight(), $o->ownAccuracy(), MeasuredBy::besides($m)];
        }, $marks));
    }

    private static function shot(Mark $m): BuiltShot
    {
        return new BuiltShot(
            markId: $m->id, name: $m->name, easting: $m->easting, northing: $m->northing, elevation: $m->elevation, before: $m->aimed()->before ?? 0.0,
            out: $m->verdict === Verdict::Out->value,
        );
    }

    /** @return array{float, float, float} */
    private static function alongFace(Aimed $aimed, BuiltShot $s): array
    {
        return FaceShot::of(self::normal($aimed), new Position($s->northing, $s->easting, $s->elevation), $s->before);
    }

    /** @return array{float, float, float} */
    private static function normal(Aimed $aimed): array
    {
        return [$aimed->way[0] ?? 0.0, $aimed->way[1] ?? 0.0, $aimed->way[2] ?? 1.0];
    }

    /**
     * Along its normal alone: along the wall a shot says nothing.
     *
     * @param  list<BuiltShot>  $shots
     * @return array{list<Lean>, Plumb|null}
     */
    private static function faceLeans(Aimed $aimed, array $shots, float $deviation): array
    {
        $azimuth = FaceShot::upright(self::normal($aimed));
        $plumb = $azimuth === null ? null : Plumb::ofFace(array_map(static fn (BuiltShot $s): array => self::alongFace($aimed, $s), $shots), $azimuth, $deviation);

        return [$plumb === null ? [] : [self::lean($plumb, ['outward, ', 'inward, '], (float) $azimuth)], $plumb];
    }

    /**
     * @param  list<Mark>  $marks
     * @return array{list<Lean>, Plumb|null}
     */
    private static function axisLeans(Project $project, array $marks): array
    {
        $shots = [];
        foreach ($marks as $m) {
            $design = $m->design();
            if ($design !== null && $m->elevation !== null) {
                $shots[] = [(float) $m->elevation, $m->northing - $design->northing, $m->easting - $design->easting];
            }
        }
        $plumb = Plumb::ofAxis($shots, self::shotDeviation($marks));

        return [$plumb === null ? [] : array_map(static fn (array $d): Lean => self::lean($plumb, [$d[0], $d[0]], $d[1]), self::directions($project)), $plumb];
    }

    /**
     * Whereto it leans is said in words, and not by a sign.
     *
     * @param  array{string, string}  $words  before the direction, where it leans that way, and the other
     */
    private static function lean(Plumb $plumb, array $words, float $azimuth): Lean
    {
        $metres = $plumb->along($azimuth);

        return $metres < 0.0 ? new Lean($words[1].'to the '.Compass::word($azimuth + M_PI), -$metres) : new Lean($words[0].'to the '.Compass::word($azimuth), $metres);
    }

    /** @return list<array{string, float}> in words, and the azimuth: along the lines of the grid, else to the north and to the east */
    private static function directions(Project $project): array
    {
        $found = [];
        foreach (GridLine::of($project)->where('ring', false)->orderBy('id')->get()->unique('family') as $line) {
            /** @var GridLine $line */
            $azimuth = $line->from()->azimuthTo($line->to());
            $found[] = ["along {$line->name}, ", $azimuth];
        }

        return count($found) === 2 ? $found : [['', 0.0], ['', M_PI_2]];
    }
}
