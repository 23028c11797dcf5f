<?php

declare(strict_types=1);

namespace App\Designs\Actions;

use App\Designs\HeightsChoice;
use App\Designs\Models\Design;
use App\Designs\PlacementChosen;
use App\Designs\Tasks\TakeDrawing;
use App\Typed\Values;
use App\Uploads;
use Parlay\Core\Formats\Ifc\IfcBodies;
use Parlay\Core\Formats\Step\UnreadableStep;
use Parlay\Core\Units\LengthUnit;

/** The solids of a building model as it was taken: made when they are first asked for, kept beside the file they came in. */
final class BodiesOf
{
    /**
     * @return string path of the packed solids (IfcBodies)
     *
     * @throws \DomainException where the drawing has none
     */
    public function __invoke(Design $design): string
    {
        if ($design->place_word !== 'instance') {
            throw new \DomainException('This drawing is no building model: there is nothing in it to be seen in space.');
        }
        if ($design->heights !== HeightsChoice::Used->value) {
            throw new \DomainException('The model was taken without its heights: it can be seen on the plan alone. Take it again with its heights.');
        }
        $path = Uploads::path($design->upload).".bodies-{$design->id}";
        if (is_file($path)) {
            return $path;
        }
        $placement = $design->placement === null ? null : TakeDrawing::transform(self::chosen($design->placement));
        try {
            $packed = IfcBodies::pack(Uploads::path($design->upload), LengthUnit::from($design->unit), $placement);
        } catch (UnreadableStep $e) {
            throw new \DomainException($e->getMessage());
        }
        // Whole or not at all, also where two ask at once.
        $part = $path.'.'.bin2hex(random_bytes(4)).'.part';
        if (@file_put_contents($part, $packed) !== strlen($packed) || ! @rename($part, $path)) {
            @unlink($part);
            throw new \DomainException('The disk of the data folder is full, or may not be written to. Make room, then try again.');
        }

        return $path;
    }

    /** @param  array<string, mixed>  $kept */
    private static function chosen(array $kept): PlacementChosen
    {
        unset($kept['words']);

        return Values::of($kept, PlacementChosen::class);
    }
}
