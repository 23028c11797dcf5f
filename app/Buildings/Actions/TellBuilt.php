<?php

declare(strict_types=1);

namespace App\Buildings\Actions;

use App\Buildings\BuiltPart;
use App\Buildings\BuiltShot;
use App\Buildings\Lean;
use App\Control\Models\GridLine;
use App\Projects\Models\Project;
use App\Stakeout\Aimed;
use App\Stakeout\AimKind;
use App\Stakeout\Models\Mark;
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
        foreach ($project->marks()->whereIn('aimed->kind', [AimKind::Face->value, AimKind::Axis->value])->orderBy('id')->get() as $mark) {
            $groups[$mark->aim_key][] = $mark;
        }

        return array_reverse(array_values(array_map(fn (array $marks): BuiltPart => $this->part($project, $marks), $groups)));
    }

    /** @param  non-empty-list<Mark>  $marks */
    private function part(Project $project, array $marks): BuiltPart
    {
        $aimed = $marks[count($marks) - 1]->aimed() ?? throw new \LogicException('It was made to something.');
        $shots = array_map(self::shot(...), $marks);
        $isFace = $aimed->kind === AimKind::Face;
        $flat = $isFace ? Flatness::of(array_map(static fn (BuiltShot $s): array => self::alongFace($aimed, $s), $shots)) : null;
        [$leans, $plumb] = $isFace ? self::faceLeans($aimed, $shots) : self::axisLeans($project, $marks);

        return new BuiltPart(
            key: $marks[0]->aim_key, kind: $aimed->kind, name: $aimed->name, thing: $aimed->thing, shots: $shots, least: $flat?->least, most: $flat?->most,
            mean: $flat?->mean, bow: $flat?->bow, leans: $leans, height: $plumb->height ?? 0.0, oneIn: $plumb?->oneIn(),
        );
    }

    private static function shot(Mark $m): BuiltShot
    {
        $judged = $m->judgedOf();

        return new BuiltShot(
            markId: $m->id, name: $m->name, easting: $m->easting, northing: $m->northing, elevation: (float) $m->elevation, before: $m->aimed()->before ?? 0.0,
            allowed: $judged->countsPlan() ? $m->plan_tolerance : $m->height_tolerance, out: $m->verdict === Verdict::Out->value,
        );
    }

    /** @return array{float, float, float} two coordinates along the face, and how far before it */
    private static function alongFace(Aimed $aimed, BuiltShot $s): array
    {
        [$x, $y, $z] = $aimed->way;

        // Of a level one along the grid, of another along its level line and upward.
        return abs($z) > 0.7 ? [$s->easting, $s->northing, $s->before] : [($s->northing * $x - $s->easting * $y) / hypot($x, $y), $s->elevation, $s->before];
    }

    /**
     * Along its normal alone: along the wall a shot says nothing.
     *
     * @param  list<BuiltShot>  $shots
     * @return array{list<Lean>, Plumb|null}
     */
    private static function faceLeans(Aimed $aimed, array $shots): array
    {
        [$x, $y, $z] = $aimed->way;
        $plumb = abs($z) > 0.1 ? null : Plumb::of(array_map(static fn (BuiltShot $s): array => [$s->elevation, $s->before * $y, $s->before * $x], $shots));

        return [$plumb === null ? [] : [new Lean('outward, to the '.Compass::word(atan2($x, $y)), $plumb->along(atan2($x, $y)))], $plumb];
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
        $plumb = Plumb::of($shots);

        return [$plumb === null ? [] : array_map(static fn (array $d): Lean => new Lean($d[0], $plumb->along($d[1])), self::directions($project)), $plumb];
    }

    /** @return list<array{string, float}> in words, and the azimuth: along the lines of the grid, else to the north and to the east */
    private static function directions(Project $project): array
    {
        $found = [];
        foreach ($project->gridLines()->where('ring', false)->orderBy('id')->get()->unique('family') as $line) {
            /** @var GridLine $line */
            $azimuth = $line->from()->azimuthTo($line->to());
            $found[] = ["along {$line->name}, to the ".Compass::word($azimuth), $azimuth];
        }

        return count($found) === 2 ? $found : [['to the north', 0.0], ['to the east', M_PI_2]];
    }
}
