<?php

declare(strict_types=1);

namespace App\Civil\Actions;

use App\Civil\AlignmentEntry;
use App\Civil\EndArea;
use App\Civil\Models\CivilAlignment;
use App\Civil\Models\CivilSurface;
use App\Civil\Stations;
use App\Civil\VolumeFound;
use App\Civil\VolumeSides;
use App\Civil\VolumeWanted;
use App\Cogo\DrawnShapes;
use App\Cogo\Givens;
use App\Projects\Models\Project;
use Parlay\Core\Civil\Alignments\Alignment;
use Parlay\Core\Civil\Surfaces\Outline;
use Parlay\Core\Civil\Surfaces\Surface;
use Parlay\Core\Civil\Volumes\EndAreas;
use Parlay\Core\Civil\Volumes\GridCheck;
use Parlay\Core\Civil\Volumes\Overlay;
use Parlay\Core\Civil\Volumes\StationRange;
use Parlay\Core\Civil\Volumes\Stockpile;
use Parlay\Core\Geometry\Position;

/** Works out a volume: exact by overlay, with a grid beside it, and by end areas where an alignment runs through. */
final class FindVolume
{
    public function __invoke(Project $project, VolumeWanted $wanted): VolumeFound
    {
        return self::worked($project, $wanted, self::sides($project, $wanted));
    }

    /** What it lies between. */
    public static function sides(Project $project, VolumeWanted $wanted): VolumeSides
    {
        $first = CivilSurface::inProject($project, $wanted->firstId);
        $alignment = $wanted->alignmentId === null ? null : CivilAlignment::inProject($project, $wanted->alignmentId)->alignment();
        $outline = self::outline($project, $wanted, $alignment);
        $surface = $first->surface();
        $limited = $outline === null ? $surface : Overlay::within($surface, $outline);
        [$against, $words] = self::against($project, $wanted, $surface, $outline);

        return new VolumeSides($limited, $against, "{$first->name} against $words", $outline, $alignment, $surface);
    }

    public static function worked(Project $project, VolumeWanted $wanted, VolumeSides $s): VolumeFound
    {
        $sections = $s->alignment === null ? [] : self::sections($project, $wanted, $s->alignment, $s->whole, $s->against);

        return self::found($s->of, $s->first, $s->against, $s->outline, $sections);
    }

    /**
     * @param  list<EndArea>  $sections
     */
    public static function found(string $of, Surface $first, Surface|float $against, ?Outline $outline, array $sections): VolumeFound
    {
        $volume = $against instanceof Surface ? Overlay::between($first, $against) : Overlay::aboveElevation($first, $against);
        [$gridCut, $gridFill, $width] = GridCheck::between($first, $against);
        [$endCut, $endFill] = EndAreas::volumes(array_map(static fn (EndArea $s): array => [$s->along, $s->cut, $s->fill], $sections));

        return new VolumeFound(
            of: $of,
            cut: $volume->cut,
            fill: $volume->fill,
            net: $volume->net(),
            area: $volume->area(),
            cutArea: $volume->cutArea,
            fillArea: $volume->fillArea,
            thickness: $volume->meanThickness(),
            deepestCut: $volume->deepestCut,
            deepestFill: $volume->deepestFill,
            deepestCutAt: $volume->deepestCutAt,
            deepestFillAt: $volume->deepestFillAt,
            gridCut: $gridCut,
            gridFill: $gridFill,
            gridWidth: $width,
            sections: $sections,
            endAreaCut: count($sections) > 1 ? $endCut : null,
            endAreaFill: count($sections) > 1 ? $endFill : null,
            outline: $outline === null ? [] : AlignmentEntry::flat($outline->closed()),
        );
    }

    /** @return array{Surface|float, string} */
    private static function against(Project $project, VolumeWanted $wanted, Surface $first, ?Outline $outline): array
    {
        $length = $project->length_style;
        if ($wanted->stockpile) {
            $outline ?? throw new \DomainException('A stockpile stands on the ground that its outline spans. Touch its outline.');

            return [Stockpile::base($first, $outline), 'the ground that its outline spans'];
        }
        if ($wanted->secondId === null) {
            return [$wanted->elevation ?? throw new \DomainException('Choose another surface, or type a height.'), 'the height '.$length->format($wanted->elevation)];
        }
        if ($wanted->secondId === $wanted->firstId && $wanted->verticalOffset === 0.0) {
            throw new \DomainException('These are one surface: there is nothing between them. Choose another.');
        }
        $second = CivilSurface::inProject($project, $wanted->secondId);
        $above = $wanted->verticalOffset === 0.0 ? '' : ', '.$length->format(abs($wanted->verticalOffset)).($wanted->verticalOffset > 0.0 ? ' above it' : ' below it');

        return [$second->surface()->raised($wanted->verticalOffset), $second->name.$above];
    }

    private static function outline(Project $project, VolumeWanted $wanted, ?Alignment $alignment): ?Outline
    {
        if ($wanted->outline !== null) {
            $corners = OutlineOf::corners((new Givens($project, new DrawnShapes($project)))->chain($wanted->outline));

            return new Outline(array_map(static fn (Position $p) => $p->at(null), $corners));
        }

        return $alignment === null ? null : self::range($wanted, $alignment)->outline();
    }

    private static function range(VolumeWanted $wanted, Alignment $alignment): StationRange
    {
        return new StationRange($alignment, $wanted->from, $wanted->to, $wanted->left, $wanted->right);
    }

    /** @return list<EndArea> */
    private static function sections(Project $project, VolumeWanted $wanted, Alignment $alignment, Surface $first, Surface|float $against): array
    {
        return array_map(
            static fn (array $s): EndArea => new EndArea($s[0], Stations::written($project, $alignment->stationing, $s[0]), $s[1], $s[2]),
            self::range($wanted, $alignment)->sections($first, $against, $wanted->interval),
        );
    }
}
