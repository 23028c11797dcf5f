<?php

declare(strict_types=1);

namespace App\Buildings;

use App\Designs\Models\Design;
use App\Projects\Uploads;
use Parlay\Core\Formats\Ifc\IfcModel;
use Parlay\Core\Formats\Step\StepFile;
use Parlay\Core\Geometry\Frame;
use Parlay\Core\Units\LengthUnit;

/** Where the site lies in a building model's own coordinates. */
final class ModelFrame
{
    private const FORM = 'frame-1';

    /**
     * From easting, northing and elevation of the site to the model, metres; worked out once and kept beside the file.
     *
     * @throws \DomainException where the drawing is no model, or lies so that there is no way back
     */
    public static function fromSite(Design $design): Frame
    {
        $path = MadeOfModel::path($design, self::FORM, static function (string $part) use ($design): void {
            $site = self::model($design)->toSite(LengthUnit::from($design->unit), MadeOfModel::placement($design));
            file_put_contents($part, json_encode(array_values(get_object_vars($site)), JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION));
        });

        return (new Frame(...array_map(floatval(...), array_slice(json_decode((string) file_get_contents($path), true, flags: JSON_THROW_ON_ERROR), 0, 12))))->inverse()
            ?? throw new \DomainException('The model is squeezed flat where it was placed: there is no way back into its coordinates.');
    }

    private static function model(Design $design): IfcModel
    {
        return new IfcModel(StepFile::open(fopen(Uploads::path($design->upload), 'rb') ?: throw new \DomainException('The file of the model is no longer in the data folder.')));
    }
}
