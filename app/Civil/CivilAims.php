<?php

declare(strict_types=1);

namespace App\Civil;

use App\Civil\Models\CivilAlignment;
use App\Civil\Models\CivilSurface;
use App\Projects\Models\Project;
use App\Typed\Values;
use Illuminate\Support\Facades\DB;
use Parlay\Core\Stakeout\Aims\Aim;
use Parlay\Core\Stakeout\Aims\AlignmentAim;
use Parlay\Core\Stakeout\Aims\SurfaceAim;

/** Alignments and surfaces as what is staked: found in the project, and said in words. */
final class CivilAims
{
    /** Nobody stakes further beside an axis or above a surface, metres. */
    private const FARTHEST = 2000.0;

    public static function of(CivilLay $lay): Aim
    {
        $surface = $lay->surfaceId === null ? null
            : CivilSurface::packedOf($lay->surfaceId, (string) DB::scalar('SELECT head FROM surfaces WHERE id = ?', [$lay->surfaceId]));
        if ($lay->alignmentId === null) {
            return new SurfaceAim($surface ?? throw new \LogicException('A surface is staked.'), $lay->verticalOffset);
        }
        $row = CivilAlignment::query()->findOrFail($lay->alignmentId);

        return new AlignmentAim(
            $row->road($lay->profile, $lay->shape), $lay->offset, $lay->grade, $lay->heights === CivilHeights::Surface ? $surface : null,
            $lay->verticalOffset, $lay->heights !== CivilHeights::None,
        );
    }

    /** As it is kept with what is staked. */
    public static function lay(?string $kept): CivilLay
    {
        return Values::of((array) json_decode((string) $kept, true), CivilLay::class);
    }

    public static function surfaceName(int $id): string
    {
        return (string) DB::table('surfaces')->where('id', $id)->value('name');
    }

    /** Only how much is to be cut or filled is wanted to be known, wherever one stands. */
    public static function isGrade(CivilLay $lay): bool
    {
        return $lay->alignmentId === null || $lay->grade;
    }

    /** Within which the grade of its surface is judged, metres; null where it is only told, or the line itself is staked. */
    public static function gradeTolerance(CivilLay $lay): ?float
    {
        $own = $lay->surfaceId === null || ! self::isGrade($lay) ? null : DB::table('surfaces')->where('id', $lay->surfaceId)->value('tolerance');

        return $own === null ? null : (float) $own;
    }

    /** What is said of it where everything that is there is chosen by itself. */
    public static function completed(Project $project, CivilLay $lay): CivilLay
    {
        self::check($project, $lay);
        if ($lay->alignmentId === null || $lay->profile !== null || $lay->heights !== CivilHeights::Road) {
            return $lay;
        }
        $row = CivilAlignment::inProject($project, $lay->alignmentId);
        $shape = $row->shapes === [] ? null : ($lay->shape ?? (count($row->shapes) === 1 ? 0 : null));
        $profile = $row->designedProfile();

        return new CivilLay(...[
            'profile' => $profile, 'shape' => $shape,
            'heights' => $profile === null && $shape === null ? ($lay->surfaceId === null ? CivilHeights::None : CivilHeights::Surface) : $lay->heights,
        ] + get_object_vars($lay));
    }

    /** @throws \DomainException where what it names is not there */
    public static function check(Project $project, CivilLay $lay): void
    {
        if ($lay->alignmentId === null && $lay->surfaceId === null) {
            throw new \DomainException('Choose an alignment or a surface.');
        }
        if ($lay->surfaceId !== null) {
            CivilSurface::inProject($project, $lay->surfaceId);
        }
        if ($lay->heights === CivilHeights::Surface && $lay->surfaceId === null) {
            throw new \DomainException('Choose the surface that heights come from.');
        }
        if (! (abs($lay->offset) <= self::FARTHEST && abs($lay->verticalOffset) <= self::FARTHEST)) {
            throw new \DomainException('An offset lies within two kilometres.');
        }
        $row = $lay->alignmentId === null ? null : CivilAlignment::inProject($project, $lay->alignmentId);
        if ($row !== null && (($lay->profile !== null && $row->profile($lay->profile) === null) || ($lay->shape !== null && $row->shape($lay->shape) === null))) {
            throw new \DomainException('That profile or section is not there any more. Choose again.');
        }
    }

    /** Short, for a button and for marks. */
    public static function name(Project $project, CivilLay $lay): string
    {
        $length = $project->length_style;
        $above = $lay->verticalOffset === 0.0 ? '' : ', '.$length->format(abs($lay->verticalOffset)).($lay->verticalOffset > 0 ? ' above' : ' below');
        if ($lay->alignmentId === null) {
            return CivilSurface::inProject($project, (int) $lay->surfaceId)->name.$above;
        }
        $right = $lay->offset === 0.0 || $lay->grade ? '' : ', '.$length->format(abs($lay->offset)).($lay->offset > 0 ? ' right' : ' left');

        return CivilAlignment::inProject($project, $lay->alignmentId)->name.($lay->grade ? ', grade' : '').$right.$above;
    }

    /** Where it comes from, and where its heights do. */
    public static function source(Project $project, CivilLay $lay): string
    {
        $surface = $lay->surfaceId === null ? null : CivilSurface::inProject($project, $lay->surfaceId);
        if ($lay->alignmentId === null) {
            return "Surface {$surface?->name} ({$surface?->source})";
        }
        $row = CivilAlignment::inProject($project, $lay->alignmentId);
        $heights = match ($lay->heights) {
            CivilHeights::None => 'without heights',
            CivilHeights::Surface => "heights of surface {$surface?->name}",
            CivilHeights::Road => trim(implode(', ', array_filter([
                $lay->profile === null ? '' : "profile {$row->profiles[$lay->profile]['name']}",
                $lay->shape === null ? '' : "sections {$row->shapes[$lay->shape]['name']}",
            ]))) ?: 'without heights',
        };

        return "Alignment {$row->name} ({$row->source}), $heights";
    }
}
