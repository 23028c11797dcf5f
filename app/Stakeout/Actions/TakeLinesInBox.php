<?php

declare(strict_types=1);

namespace App\Stakeout\Actions;

use App\Cogo\DrawnShapes;
use App\Cogo\GivenPlace;
use App\Designs\Models\Design;
use App\Designs\Models\DesignLayer;
use App\Designs\TouchedSpot;
use App\KeyTaken;
use App\NeedsConfirmation;
use App\Projects\Models\Project;
use App\Stakeout\AimToTake;
use App\Stakeout\LinesInBoxToTake;
use App\Stakeout\Models\KeptAim;
use Illuminate\Support\Facades\DB;
use Parlay\Core\Designs\LinesInBox;
use Parlay\Core\Designs\SpotKind;
use Parlay\Core\Geometry\Position;

/** Takes the ends of lines in a box to be staked, .1 and .2 of each: the text beside a wall names it. */
final readonly class TakeLinesInBox
{
    private const MOST = 60;

    /** Shapes of the layers that reach into the box: more are not looked through while somebody waits. */
    private const MOST_SHAPES = 300_000;

    public function __construct(private TakeAim $take) {}

    /** @return list<KeptAim> two of each line, in the order of the drawing */
    public function __invoke(Project $project, LinesInBoxToTake $body): array
    {
        KeyTaken::checked($body->key);
        [$southWest, $northEast] = [new Position($body->south, $body->west), new Position($body->north, $body->east)];
        $shapes = new DrawnShapes($project);
        $layers = self::layers($project, $body);
        if (array_sum(array_map(static fn (DesignLayer $l): int => $l->count, $layers)) > self::MOST_SHAPES) {
            throw new \DomainException('The layers shown here hold more than '.number_format(self::MOST_SHAPES).' pieces. Hide those that are not meant.');
        }
        $lines = LinesInBox::of(array_map($shapes->read(...), $layers), $southWest, $northEast);
        $lines = self::ofLayers($lines, $body->layerIds, $layers);
        if ($lines === []) {
            throw new \DomainException('No line or arc lies in this box with both its ends. Draw it round whole lines of a layer that is shown.');
        }
        if (count($lines) > self::MOST) {
            throw new \DomainException('In this box are '.count($lines).' lines; at most '.self::MOST.' are taken at once. Draw a smaller box.');
        }

        return DB::transaction(fn (): array => $this->ends($project, $body->key, $layers, $lines));
    }

    /**
     * @param  array<int, DesignLayer>  $layers  by id
     * @param  list<array{int, int, string}>  $lines
     * @return list<KeptAim>
     */
    private function ends(Project $project, string $key, array $layers, array $lines): array
    {
        $aims = [];
        foreach ($lines as $i => [$layer, $shape, $name]) {
            foreach ([SpotKind::Start, SpotKind::End] as $k => $end) {
                $aim = ($this->take)($project, new AimToTake("$key-$i-$k", new GivenPlace(spot: new TouchedSpot($layer, $shape, $end))));
                if ($aim->wasRecentlyCreated) {
                    $called = ($name !== '' ? $name : $layers[$layer]->name.' '.($i + 1)).'.'.($k + 1);
                    $aim->update(['name' => $called, 'series' => $called]);
                }
                $aims[] = $aim;
            }
        }

        return $aims;
    }

    /**
     * A box round walls has columns and dimensions in it, too.
     *
     * @param  list<array{int, int, string}>  $lines
     * @param  list<int>  $wanted
     * @param  array<int, DesignLayer>  $layers
     * @return list<array{int, int, string}>
     */
    private static function ofLayers(array $lines, array $wanted, array $layers): array
    {
        $counts = array_count_values(array_column($lines, 0));
        if ($wanted === [] && count($counts) > 1) {
            throw new NeedsConfirmation('Lines of several layers lie in this box. Which are to be run over?', 'layers', ['layers' => array_map(
                static fn (int $id): array => ['id' => $id, 'name' => $layers[$id]->name, 'count' => $counts[$id]], array_keys($counts),
            )]);
        }

        return $wanted === [] ? $lines : array_values(array_filter($lines, static fn (array $l) => in_array($l[0], $wanted, true)));
    }

    /** @return array<int, DesignLayer> those shown, and to be touched, that reach into the box, by id */
    private static function layers(Project $project, LinesInBoxToTake $body): array
    {
        $designs = Design::of($project)->where('current', true)->pluck('id');
        $layers = [];
        foreach (DesignLayer::query()->whereIn('design_id', $designs)->where('visible', true)->where('pickable', true)->orderBy('id')->get(['id', 'name', 'count', 'kinds', 'extent']) as $layer) {
            [$west, $south, $east, $north] = $layer->extent ?? [INF, INF, -INF, -INF];
            if ($west <= $body->east && $east >= $body->west && $south <= $body->north && $north >= $body->south) {
                $layers[$layer->id] = $layer;
            }
        }

        return $layers;
    }
}
