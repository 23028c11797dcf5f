<?php

declare(strict_types=1);

namespace Parlay\Core\Setups;

use Parlay\Core\Adjustment\Ellipse;
use Parlay\Core\Adjustment\Significance;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Instrument\Station;

/** What would be accepted, with all that speaks for and against it. */
final readonly class SetupSolution
{
    /**
     * @param  Precision  $precision  from the deviations stated beforehand
     * @param  list<SightResidual>  $residuals  one for each sight, in the order given
     * @param  int  $redundancy  observations beyond what is needed
     * @param  float|null  $unitWeightDeviation  standard deviation of unit weight: square root of the variance factor; about 1 where
     *     residuals are as the accuracy says; null with none to spare
     * @param  list<Caution>  $cautions
     * @param  bool|null  $passes  whether residuals are as the stated accuracy lets expect (global test, 2 %); null with none to spare
     * @param  bool  $placeFound  whether the place was found, not given
     * @param  FreeScale|null  $scale  what a free scale would be; null where the sights can't tell
     * @param  list<ShotResidual>  $shots  of those along lines, in the order given
     */
    public function __construct(
        public Station $station,
        public Precision $precision,
        public array $residuals,
        public int $redundancy,
        public ?float $unitWeightDeviation,
        public array $cautions,
        public ?bool $passes = null,
        public bool $placeFound = true,
        public ?FreeScale $scale = null,
        public array $shots = [],
    ) {}

    /** What can be said of it to others: wider than was expected beforehand where the sights don't fit. */
    public function trusted(): Precision
    {
        return $this->passes === false ? $this->precision->widened((float) $this->unitWeightDeviation) : $this->precision;
    }

    /** Whether directions can be turned to from it. */
    public function isOriented(): bool
    {
        return $this->precision->oriented;
    }

    /**
     * Sights in use, and lines, that are off by more than a project accepts, whatever the accuracy explains.
     *
     * @param  float  $limit  metres
     * @return list<string> their names, the worst first
     */
    public function beyond(float $limit): array
    {
        $off = [];
        foreach ($this->residuals as $r) {
            $of = [...($r->usedForPlan ? [$r->across, $r->distance] : []), ...($r->usedForHeight ? [$r->height] : [])];
            $off[] = [$r->name, max([0.0, ...array_map(static fn (?float $x) => abs((float) $x), $of)])];
        }
        foreach ($this->shots as $s) {
            $off[] = ["line {$s->line}", $s->reliability === null ? 0.0 : abs($s->offset)];
        }
        $beyond = array_filter($off, static fn (array $o) => $o[1] > $limit);
        usort($beyond, static fn (array $a, array $b) => $b[1] <=> $a[1]);

        return array_values(array_unique(array_column($beyond, 0)));
    }

    /**
     * Number of the shot along a line that fits worst, where it fits too badly: one bad shot pulls the others along, so only one is
     * named.
     */
    public function suspectShot(): ?int
    {
        $worst = null;
        foreach ($this->shots as $i => $s) {
            $off = $s->reliability?->normalised;
            if ($off !== null && $off > Significance::SUSPECT && ($worst === null || $off > $this->shots[$worst]->reliability?->normalised)) {
                $worst = $i;
            }
        }

        return $worst;
    }

    /** How far a point may be wrong in plan for the setup's sake, in 95 of 100 cases. */
    public function reachesTo(Position $point): ?float
    {
        return $this->isOriented() ? $this->precision->at($this->station->mark, $point)->major : null;
    }

    /**
     * The 95 % ellipse from what the residuals say: √(2 F(0.95; 2, r)) times the deviation, times that of unit weight; null with none
     * to spare.
     */
    public function ellipseAfterwards(): ?Ellipse
    {
        return $this->unitWeightDeviation === null ? null : $this->precision->ellipse()
            ->times($this->unitWeightDeviation * Ellipse::afterwards($this->redundancy) / Ellipse::NINETY_FIVE);
    }

    /** @param  list<Caution>  $cautions */
    public function withCautions(array $cautions): self
    {
        return new self(
            station: $this->station,
            precision: $this->precision,
            residuals: $this->residuals,
            redundancy: $this->redundancy,
            unitWeightDeviation: $this->unitWeightDeviation,
            cautions: $cautions,
            passes: $this->passes,
            placeFound: $this->placeFound,
            scale: $this->scale,
            shots: $this->shots,
        );
    }
}
