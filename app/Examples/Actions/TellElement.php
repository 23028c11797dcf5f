<?php

declare(strict_types=1);

namespace App\Examples\Actions;

use App\Buildings\ElementStore;
use App\Buildings\StoredElement;
use App\Designs\Models\Design;
use App\Examples\Alike;
use App\Examples\AlikeBy;
use App\Examples\AlikeWanted;
use App\Examples\ElementProperty;
use App\Examples\LikenessCount;
use App\Examples\OfferedSpot;
use App\Examples\ThingEntry;
use App\Examples\TouchedFace;
use App\Projects\Models\Project;
use Parlay\Core\Buildings\Example\DoesNotFit;
use Parlay\Core\Buildings\Example\FaceHold;
use Parlay\Core\Buildings\Example\OfferedSpots;
use Parlay\Core\Units\LengthStyle;
use Parlay\Words\ElementSpots;

/** Tells what a thing of a model is, how many are like it, and which spots it offers. */
final class TellElement
{
    /** Nearer than this to the highest or lowest is there, metres. */
    private const LEVEL = 1e-3;

    /** A touch comes from figures of 32 bits, metres. */
    private const TOUCH = 0.01;

    /** @param  array{float, float, float}|null  $touched  east, north, height */
    public function __invoke(Project $project, int $designId, int $number, ?array $touched): ThingEntry
    {
        $store = ElementStore::of(Design::of($project)->findOrFail($designId, Design::LISTED));
        $thing = $store->element($number) ?? throw new \DomainException('That thing is not in the model. Touch it again.');
        $spots = [];
        $face = $axis = $why = null;
        try {
            $spots = self::spots($thing, $touched, $project->length_style);
            $at = $touched === null ? null : $thing->place->inverse()?->point(...$touched);
            $face = $at === null ? null : self::face($thing, $at);
            $axis = $at === null || $face !== null ? null : $thing->parts()->axisAt($at, self::TOUCH);
        } catch (DoesNotFit $e) {
            $why = ElementSpots::misfit($e);
        }

        return new ThingEntry(
            number: $thing->number, guid: $thing->guid, topology: $thing->topology, class: $thing->class, type: $thing->type, name: $thing->name, tag: $thing->tag,
            storey: $thing->storey, assembly: $thing->assembly, mirrored: $thing->mirrored(), fault: $thing->fault, noSpots: $why, layers: $thing->layers,
            properties: array_map(static fn (string $text, string $name) => new ElementProperty($name, $text), $thing->properties, array_keys($thing->properties)),
            spots: $spots, alike: self::alike($store, $thing), face: $face,
            axis: $axis === null ? null : $thing->parts()->holdAxis($axis),
        );
    }

    /**
     * @param  array{float, float, float}|null  $touched
     * @return list<OfferedSpot>
     */
    private static function spots(StoredElement $thing, ?array $touched, LengthStyle $style): array
    {
        $heights = array_map(static fn (array $c): float => $thing->place->point(...$c)[2], $thing->parts()->corners);
        [$low, $high] = [min($heights), max($heights)];

        $placed = $thing->placed();

        return array_map(static function (array $o) use ($low, $high, $style, $placed): OfferedSpot {
            [$spot, [$east, $north, $height]] = $o;
            $level = $high - $height < self::LEVEL ? 'top' : ($height - $low < self::LEVEL ? 'underside' : '');

            return new OfferedSpot(
                ElementSpots::of($spot, $style), $level, $east, $north, $height, $spot,
                array_map(static fn (FaceHold $h): string => ElementSpots::looks($placed->normal($h->index)), $spot->faces),
            );
        }, (new OfferedSpots($thing->parts(), $thing->place))->near($touched));
    }

    /** @param  array{float, float, float}  $at  along the thing's own axes */
    private static function face(StoredElement $thing, array $at): ?TouchedFace
    {
        $face = $thing->parts()->faceAt($at, self::TOUCH);
        if ($face === null) {
            return null;
        }

        return new TouchedFace(ElementSpots::looks($thing->placed()->normal($face)), $thing->parts()->holdFace($face));
    }

    /** @return list<LikenessCount> */
    private static function alike(ElementStore $store, StoredElement $thing): array
    {
        $counts = [];
        foreach ([AlikeBy::Type, AlikeBy::Shape, AlikeBy::Form, AlikeBy::ThisClass] as $by) {
            if (($by === AlikeBy::Type && $thing->type === '') || ($thing->topology === '' && $by !== AlikeBy::ThisClass)) {
                continue;
            }
            $counts[] = new LikenessCount($by, (new Alike($store))->count($thing, new AlikeWanted($by)));
        }

        return $counts;
    }
}
