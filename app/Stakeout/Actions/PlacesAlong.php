<?php

declare(strict_types=1);

namespace App\Stakeout\Actions;

use App\Civil\PlacesByStation;
use App\Clock;
use App\Cogo\PlacesOnLine;
use App\Cogo\PlacesWay;
use App\KeyTaken;
use App\Projects\Models\Project;
use App\Seen;
use App\Stakeout\AimKind;
use App\Stakeout\Models\KeptAim;
use Illuminate\Support\Facades\DB;
use Parlay\Core\Geometry\NoConstruction;
use Parlay\Core\Geometry\Polyline;
use Parlay\Core\Geometry\Position;

/** Makes places along a line, each to be staked by itself under the name of the line and the distance. */
final class PlacesAlong
{
    private const MOST = 2000;

    /** @return list<KeptAim> in the order in which they lie along the line */
    public function __invoke(Project $project, KeptAim $line, PlacesOnLine $body): array
    {
        if ($line->kind !== AimKind::Alignment) {
            ChangeAim::requireLine($line);
        }
        $known = self::made($project, $body->key);
        if ($known !== []) {
            // What was put away is there again when it is asked for again.
            KeptAim::query()->whereKey(array_map(static fn (KeptAim $a) => $a->id, $known))->where('put_away', true)->update(['put_away' => false]);

            return self::made($project, $body->key);
        }
        Seen::requireVersion($line, $body->version, $line->name);
        $aim = $line->aim();
        $civil = $line->kind === AimKind::Alignment ? new PlacesByStation($project, $line->civilLay()) : null;
        $places = $civil === null ? self::places($line->line()->polyline(), $body) : $civil->places($body);
        if (count($places) > self::MOST) {
            throw NoConstruction::tooMany(self::MOST);
        }

        return DB::transaction(static function () use ($project, $line, $body, $places, $aim, $civil): array {
            Seen::requireVersion($line->refresh(), $body->version, $line->name);
            $made = [];
            foreach ($places as $i => [$along, $place, $right]) {
                // At the height of the line there, whatever was chosen for it.
                $elevation = $civil === null ? $aim->designedAt($place)->place->elevation : $place->elevation;
                $beside = $right === 0.0 ? '' : ' '.$project->length_style->format(abs($right)).($right < 0 ? ' left' : ' right');
                $made[] = KeptAim::query()->create([
                    'project_id' => $project->id, 'key' => $body->key.'-'.($i + 1), 'at' => Clock::stamp(), 'kind' => AimKind::Place,
                    'name' => ($civil === null ? self::named($line).' '.$project->length_style->format($along) : $civil->name($along)).$beside, 'source' => "On {$line->name}: {$line->source}",
                    'code' => $line->code, 'given' => ['along' => $along, 'right' => $right], 'line_id' => $line->id,
                    'northing' => $place->northing, 'easting' => $place->easting, 'elevation' => $elevation,
                    'judged' => $line->judged, 'prepared' => $line->prepared,
                ]);
            }
            $project->measured();

            return $made;
        });
    }

    /** The line, and its parallel where one is staked. */
    public static function named(KeptAim $line): string
    {
        $parallel = $line->lay()->current();

        return $parallel->name === '' ? $line->name : "{$line->name}, {$parallel->name}";
    }

    /** @return list<KeptAim> */
    private static function made(Project $project, string $key): array
    {
        KeyTaken::checked($key);

        return array_values(KeptAim::query()->where('project_id', $project->id)->whereNotNull('line_id')
            ->where('key', 'like', addcslashes($key, '%_\\').'-%')->orderBy('id')->get()->all());
    }

    /** @return list<array{float, Position, float}> distance along, place, offset to the right */
    private static function places(Polyline $line, PlacesOnLine $body): array
    {
        $beside = static fn (float $along): array => [$along, $line->at($along, $body->offset), $body->offset];

        return match ($body->way) {
            PlacesWay::Next, PlacesWay::Before => throw new \DomainException('Only an alignment has stations to go on to.'),
            PlacesWay::At => [self::at($line, $body->distance, $body->offset)],
            PlacesWay::Every => array_map(static fn (array $s) => $beside($s[0]), $line->every($body->interval, false, $body->offset)),
            PlacesWay::Parts => array_map($beside, $line->divisions($body->parts)),
            PlacesWay::Main => array_map($beside, $line->mainStations()),
        };
    }

    /** @return array{float, Position, float} beyond an end round the same circle, as the guidance goes on there */
    private static function at(Polyline $line, float $distance, float $right): array
    {
        [$long, $along] = $line->reaching($distance);

        return [$distance, $long->at($along, $right), $right];
    }
}
