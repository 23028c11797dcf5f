<?php

declare(strict_types=1);

namespace App\Stakeout\Actions;

use App\Buildings\ElementPart;
use App\Civil\CivilAims;
use App\Civil\CivilLay;
use App\Clock;
use App\Cogo\GivenPlace;
use App\Cogo\GivenPolyline;
use App\Cogo\PlacesOnLine;
use App\Cogo\PlacesWay;
use App\Designs\TouchedSpot;
use App\KeyTaken;
use App\Projects\Models\Project;
use App\Stakeout\AimGivens;
use App\Stakeout\AimKind;
use App\Stakeout\AimRevision;
use App\Stakeout\AimToTake;
use App\Stakeout\LineLay;
use App\Stakeout\Models\KeptAim;
use App\Stakeout\StakedLine;
use Illuminate\Support\Facades\DB;
use Parlay\Core\Designs\SpotKind;
use Parlay\Core\Geometry\PackedPolyline;
use Parlay\Core\Geometry\Position;

/** Takes what was touched as what is to be staked; the same thing touched again is the same one again, as it was left. */
final readonly class TakeAim
{
    private const HIGHEST = 10_000.0;

    /** Farther apart, two spots are not the same one; metres. */
    private const SAME = 0.001;

    public function __construct(private PlacesAlong $places) {}

    public function __invoke(Project $project, AimToTake $body): KeptAim
    {
        KeyTaken::checked($body->key);
        $body = self::touched($body);
        $known = KeptAim::query()->where('project_id', $project->id)->where('key', $body->key)->first();
        if ($known !== null) {
            // Kept, 5.0 has become 5.
            KeyTaken::unlessSame('target', ['what was touched' => true], ['what was touched' => $known->given == self::given($body)]);

            return $known;
        }
        $row = match (true) {
            $body->place !== null => self::spot($project, $body->place),
            $body->line !== null => self::line($project, $body->line, $body),
            $body->elevation !== null => self::elevation($project, $body->elevation),
            $body->civil !== null => self::civil($project, $body->civil),
            $body->part !== null => self::part($project, $body->part),
            default => throw new \DomainException('Touch a spot or a line of the drawing, or type an elevation.'),
        };

        return DB::transaction(function () use ($project, $body, $row): KeptAim {
            $aim = $this->again($project, $body, $row) ?? self::keep($project, $body, $row);
            if ($body->corners && $body->line !== null) {
                ($this->places)($project, $aim, new PlacesOnLine(
                    // The same corners of the same line are the same ones again.
                    "main-of-line-{$aim->id}-{$aim->version}", PlacesWay::Main, $aim->version,
                ));
            }
            $project->measured();

            return $aim;
        });
    }

    /** A line begins at the end that was touched, and does so again when it is read again. */
    private static function touched(AimToTake $body): AimToTake
    {
        return $body->line === null || $body->nearNorthing === null || $body->nearEasting === null ? $body : new AimToTake(...[
            'line' => new GivenPolyline(...['nearNorthing' => $body->nearNorthing, 'nearEasting' => $body->nearEasting] + get_object_vars($body->line)),
        ] + get_object_vars($body));
    }

    /** @param  array<string, mixed>  $row  its columns; of a line its pieces besides, as it was touched and as it is staked */
    private static function keep(Project $project, AimToTake $body, array $row): KeptAim
    {
        [$touched, $staked] = [$row['touched'] ?? null, $row['staked'] ?? null];
        $aim = KeptAim::query()->create([
            'project_id' => $project->id, 'key' => $body->key, 'at' => Clock::stamp(), 'given' => self::given($body),
            'series' => $row['kind']->series(), 'prepared' => $project->prepared_revision,
        ] + array_diff_key($row, ['touched' => 1, 'staked' => 1]));
        if ($touched instanceof PackedPolyline && $staked instanceof PackedPolyline) {
            $aim->keepLine($touched, true);
            $aim->keepLine($staked, false);
        }

        return $aim;
    }

    /**
     * The same was touched before, and is as it was then; a line that is touched near its other end begins there now.
     *
     * @param  array<string, mixed>  $row
     */
    private function again(Project $project, AimToTake $body, array $row): ?KeptAim
    {
        $given = self::given($body);
        $revision = new AimRevision($project);
        $alike = KeptAim::query()->where('project_id', $project->id)->where('kind', $row['kind'])->whereNull('line_id')->orderByDesc('id');
        if ($row['kind'] === AimKind::Spot) {
            // As it was, it lies where it lay: many are taken at once, and not held against all there are.
            [$n, $e] = [(float) $row['northing'], (float) $row['easting']];
            $alike->whereBetween('northing', [$n - self::SAME, $n + self::SAME])->whereBetween('easting', [$e - self::SAME, $e + self::SAME]);
        }
        foreach ($alike->get() as $aim) {
            // Whatever order the database gives the fields back in.
            if (self::whereverTouched($aim->given) == self::whereverTouched($given) && $revision->changeOf($aim) === '') {
                $aim->fill(['put_away' => false, 'prepared' => $project->prepared_revision]);
                self::begun($aim, $given, $row['touched'] ?? null);
                $aim->save();

                return $aim;
            }
        }

        return null;
    }

    /**
     * @param  array<string, mixed>  $given
     * @return array<string, mixed>
     */
    private static function whereverTouched(array $given): array
    {
        if (is_array($given['line'] ?? null)) {
            $given['line'] = array_diff_key($given['line'], ['nearNorthing' => 1, 'nearEasting' => 1]);
        }

        return $given;
    }

    /** @param  array<string, mixed>  $given */
    private static function begun(KeptAim $aim, array $given, ?PackedPolyline $touched): void
    {
        if ($touched === null || ($given['line']['nearNorthing'] ?? null) === null) {
            return;
        }
        $staked = $aim->touchedLine()->polyline();
        if ($touched->equals(PackedPolyline::of($aim->lay()->reversed ? $staked->reversed() : $staked))) {
            return;
        }
        $lay = new LineLay(...['reversed' => false] + get_object_vars($aim->lay()));
        $aim->keepLine($touched, true);
        $aim->keepLine(StakedLine::laid($touched, $lay), false);
        $aim->fill(['given' => $given, 'lay' => StakedLine::row($lay), 'version' => $aim->version + 1]);
    }

    /** @return array<string, mixed> */
    private static function given(AimToTake $body): array
    {
        return (array) json_decode(json_encode(
            ['place' => self::withoutTouch($body->place), 'line' => $body->line, 'elevation' => $body->elevation]
                // Which one it is; how it is staked is remembered as it was left.
                + ($body->civil === null ? [] : ['civil' => $body->civil->alignmentId === null ? ['surface' => $body->civil->surfaceId] : ['alignment' => $body->civil->alignmentId]])
                + ($body->part === null ? [] : ['part' => $body->part]),
            JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION,
        ), true);
    }

    /** Where an end or a centre was touched says nothing of it. */
    private static function withoutTouch(?GivenPlace $place): ?GivenPlace
    {
        $spot = $place?->spot;

        return $spot === null || in_array($spot->kind, [SpotKind::Intersection, SpotKind::Quadrant, SpotKind::Foot, SpotKind::On], true)
            ? $place
            : new GivenPlace(spot: new TouchedSpot($spot->layerId, $spot->shape, $spot->kind, $spot->withLayerId, $spot->withShape));
    }

    /** @return array<string, mixed> */
    private static function spot(Project $project, GivenPlace $given): array
    {
        $givens = new AimGivens($project);
        $place = $givens->place($given);

        return [
            'kind' => AimKind::Spot, 'name' => $givens->placeName($given), 'source' => $givens->placeSource($given),
            'northing' => $place->northing, 'easting' => $place->easting, 'elevation' => $place->elevation,
        ];
    }

    /** @return array<string, mixed> */
    private static function line(Project $project, GivenPolyline $given, AimToTake $body): array
    {
        $givens = new AimGivens($project);
        $line = $givens->line($given);
        $touched = PackedPolyline::of($line);
        $near = $body->nearNorthing === null || $body->nearEasting === null
            ? $line->legs[0]->from
            : new Position($body->nearNorthing, $body->nearEasting);
        $on = $touched->foot($near)->place;
        $lay = new LineLay;

        return [
            'kind' => AimKind::Line, 'name' => $givens->lineName($given), 'source' => $givens->lineSource($given),
            'northing' => $on->northing, 'easting' => $on->easting, 'elevation' => $on->elevation,
            'lay' => StakedLine::row($lay), 'touched' => $touched, 'staked' => StakedLine::laid($touched, $lay),
        ];
    }

    /** @return array<string, mixed> */
    private static function civil(Project $project, CivilLay $wished): array
    {
        $lay = CivilAims::completed($project, $wished);

        return [
            'kind' => $lay->alignmentId === null ? AimKind::Surface : AimKind::Alignment, 'name' => CivilAims::name($project, $lay),
            'source' => CivilAims::source($project, $lay), 'lay' => StakedLine::row($lay),
        ];
    }

    /** @return array<string, mixed> */
    private static function part(Project $project, ElementPart $given): array
    {
        $found = (new AimGivens($project))->part($given);

        return [
            'kind' => $given->face === null ? AimKind::Axis : AimKind::Face, 'name' => $found->name, 'source' => $found->source,
            'northing' => $found->place->northing, 'easting' => $found->place->easting, 'elevation' => $found->place->elevation, 'lay' => StakedLine::row($found->lay),
        ];
    }

    /** @return array<string, mixed> */
    private static function elevation(Project $project, float $elevation): array
    {
        if (! is_finite($elevation) || abs($elevation) > self::HIGHEST) {
            throw new \DomainException('An elevation lies within ten kilometres of zero.');
        }

        return [
            'kind' => AimKind::Elevation, 'name' => 'elevation '.$project->length_style->format($elevation), 'source' => 'Typed elevation',
            'elevation' => $elevation,
        ];
    }
}
