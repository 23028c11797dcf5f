<?php

declare(strict_types=1);

namespace App\Designs\Http;

use App\Control\Models\ControlPoint;
use App\Projects\Models\Project;
use Parlay\Core\Control\ElevationDoubt;
use Parlay\Core\Geometry\Position;
use Parlay\Words\ElevationDoubts;

final readonly class SpotResource
{
    /** caution: what is doubted of its elevation; null where nothing is */
    public function __construct(
        public float $northing,
        public float $easting,
        public ?float $elevation,
        public string $description,
        public ?string $caution,
    ) {}

    public static function of(Project $project, Position $p, string $description): self
    {
        $control = ControlPoint::of($project)->whereNotNull('elevation')->pluck('elevation')->map(floatval(...))->values()->all();
        $doubt = ElevationDoubt::of($p->elevation, $control);

        return new self(
            $p->northing, $p->easting, $p->elevation, $description, $doubt === null ? null : ElevationDoubts::sentence($doubt, $project->length_style),
        );
    }
}
