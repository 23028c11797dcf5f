<?php

declare(strict_types=1);

namespace App\Stakeout;

use App\Buildings\ElementPart;
use App\Cogo\GivenPlace;
use App\Cogo\GivenPolyline;
use App\Projects\Models\Project;
use App\Stakeout\Models\KeptAim;
use App\Typed\Values;
use Parlay\Core\Geometry\PackedPolyline;
use Parlay\Core\Geometry\Position;

/** What the preparation since has become of what is staked: a revision may have moved it, or have it no more. */
final readonly class AimRevision
{
    /** metres; less is the same place */
    private const SAME = 1e-4;

    private AimGivens $givens;

    public function __construct(private Project $project)
    {
        $this->givens = new AimGivens($project, newest: true);
    }

    /**
     * The same of many, with what they were taken from read at once.
     *
     * @param  iterable<KeptAim>  $aims
     * @return array<int, string> by id
     */
    public function changesOf(iterable $aims): array
    {
        $layers = [];
        foreach ($aims as $aim) {
            if (! $this->isAsItWas($aim)) {
                $given = $aim->given;
                $shapes = [...$given['line']['shapes'] ?? [], ...array_filter([$given['place']['spot'] ?? null])];
                $layers = [...$layers, ...array_column($shapes, 'layerId'), ...array_filter(array_column($shapes, 'withLayerId'))];
            }
        }
        $layers === [] || $this->givens->expect(array_map(intval(...), $layers));
        $changes = [];
        foreach ($aims as $aim) {
            $changes[$aim->id] = $this->changeOf($aim);
        }

        return $changes;
    }

    /** Nothing was prepared since, or it hangs on nothing that is. */
    private function isAsItWas(KeptAim $aim): bool
    {
        return $aim->prepared === $this->project->prepared_revision || $aim->kind === AimKind::Elevation || $aim->kind->isCivil() || $aim->line_id !== null;
    }

    /** A sentence; empty where it is as it was. */
    public function changeOf(KeptAim $aim): string
    {
        if ($this->isAsItWas($aim)) {
            return '';
        }
        try {
            $moved = match (true) {
                $aim->kind === AimKind::Line => $this->lineMoved($aim),
                $aim->kind->isOfModel() => $this->partMoved($aim),
                default => $this->spotMoved($aim),
            };
        } catch (\DomainException $e) {
            return $e->getMessage().' What is staked here is as it was touched.';
        }
        if ($moved <= self::SAME) {
            return '';
        }

        return 'The newest revision of its drawing has it elsewhere: by up to '.$this->project->length_style->format($moved)
            .'. What is staked here is as it was touched.';
    }

    private function spotMoved(KeptAim $aim): float
    {
        $now = $this->givens->place(Values::of($aim->given['place'], GivenPlace::class));

        return self::apart($aim->place() ?? $now, $now);
    }

    /** Square to the face, or to the axis, at the corners or ends it had: a wall that is longer now stands where it stood. */
    private function partMoved(KeptAim $aim): float
    {
        $now = $this->givens->part(Values::of($aim->given['part'], ElementPart::class));
        $newest = $now->lay->aim($now->place);
        $farthest = 0.0;
        foreach ($aim->partLay()->places() ?: [[(float) $aim->easting, (float) $aim->northing, (float) $aim->elevation]] as [$e, $n, $h]) {
            $farthest = max($farthest, abs($newest->designedAt(new Position($n, $e, $h))->face->before ?? 0.0));
        }

        return $farthest;
    }

    /** At the corners of both, the farthest. */
    private function lineMoved(KeptAim $aim): float
    {
        $now = PackedPolyline::of($this->givens->line(Values::of($aim->given['line'], GivenPolyline::class)));
        $was = $aim->touchedLine();
        if ($now->equals($was)) {
            return 0.0;
        }
        $farthest = 0.0;
        foreach ([[$was, $now], [$now, $was]] as [$one, $other]) {
            for ($i = 0; $i < $one->count; $i++) {
                foreach ([$one->leg($i)->from, $one->leg($i)->at($one->leg($i)->length() / 2)] as $p) {
                    $farthest = max($farthest, self::apart($p, $other->foot($p)->place));
                }
            }
        }

        return max($farthest, self::apart($was->beginning(), $now->beginning()), self::apart($was->end(), $now->end()));
    }

    private static function apart(Position $a, Position $b): float
    {
        return max($a->distanceTo($b), $a->elevation === null || $b->elevation === null ? 0.0 : abs($a->elevation - $b->elevation));
    }
}
