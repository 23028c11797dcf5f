<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Http\Bodies\PlacementBody;
use App\Http\ListOf;
use OpenApi\Attributes as OA;
use Parlay\Core\Fit\ControlFit;
use Parlay\Core\Fit\ControlMatch;
use Parlay\Core\Units\LengthUnit;

/** One way in which a drawing fits the control. */
#[OA\Schema]
final readonly class FitResource
{
    /**
     * @param  list<MatchResource>  $matches
     * @param  float  $rotation  radians, clockwise
     * @param  bool  $doubtful  chance alone would give such a fit
     */
    public function __construct(
        public LengthUnit $unit,
        public bool $asDrawn,
        public PlacementBody $placement,
        public float $rotation,
        public float $scale,
        public float $rms,
        public bool $doubtful,
        #[ListOf(MatchResource::class)]
        public array $matches,
    ) {}

    public static function of(ControlFit $f): self
    {
        $p = $f->placement;

        return new self(
            $f->unit, $f->asDrawn(), new PlacementBody($f->exchanged, $p->a, $p->b, $p->dx, $p->dy), $p->rotation(), $p->scale(), $f->rms(), $f->chance > 0.05 && $f->named() < 2,
            array_map(static fn (ControlMatch $m) => MatchResource::of($m), $f->matches),
        );
    }
}
