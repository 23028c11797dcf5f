<?php

declare(strict_types=1);

namespace App\Buildings\Actions;

use App\Buildings\MadeOfModel;
use App\Designs\Models\Design;
use App\Projects\Uploads;
use Parlay\Core\Formats\Ifc\IfcBodies;
use Parlay\Core\Units\LengthUnit;

/** The solids of a building model as it was taken. */
final class BodiesOf
{
    /**
     * @return string path of the packed solids (IfcBodies)
     *
     * @throws \DomainException where the drawing has none
     */
    public function __invoke(Design $design): string
    {
        return MadeOfModel::path($design, 'bodies-2', static function (string $path) use ($design): void {
            $packed = IfcBodies::pack(Uploads::path($design->upload), LengthUnit::from($design->unit), MadeOfModel::placement($design), keptAt: Uploads::elementsOf($design->upload));
            // A full disk is said where it is put in its place.
            if (@file_put_contents($path, $packed) !== strlen($packed)) {
                @unlink($path);
            }
        });
    }
}
