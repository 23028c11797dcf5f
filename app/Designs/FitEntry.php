<?php

declare(strict_types=1);

namespace App\Designs;

use Parlay\Core\Fit\ControlFit;
use Parlay\Core\Fit\ControlMatch;
use Parlay\Core\ListOf;
use Parlay\Core\Units\LengthUnit;

/** One way in which a drawing fits the control. */
final readonly class FitEntry
{
    /**
     * @param  list<MatchEntry>  $matches
     * @param  float  $rotation  radians, clockwise
     * @param  bool  $doubtful  chance alone would give such a fit
     */
    public function __construct(
        public LengthUnit $unit,
        public bool $asDrawn,
        public PlacementChosen $placement,
        public float $rotation,
        public float $scale,
        public float $rms,
        public bool $doubtful,
        #[ListOf(MatchEntry::class)]
        public array $matches,
    ) {}

    public static function of(ControlFit $f): self
    {
        $p = $f->placement;

        return new self(
            $f->unit, $f->asDrawn(), new PlacementChosen($f->exchanged, $p->a, $p->b, $p->dx, $p->dy),
            $p->rotation(), $p->scale(), $f->rms(), $f->chance > 0.05 && $f->named() < 2,
            array_map(static fn (ControlMatch $m) => MatchEntry::of($m), $f->matches),
        );
    }
}
