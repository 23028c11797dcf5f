<?php

declare(strict_types=1);

namespace App\Mending;

use App\Setups\Models\Setup;
use App\Stakeout\Models\Mark;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Instrument\Station;
use Parlay\Core\Setups\SetupSolution;

/** A setup worked out anew with what was mended since, and the marks that hang on it. */
final readonly class MendedSetup
{
    /**
     * @param  SetupSolution|null  $solution  null where the setup itself stays, and only marks change
     * @param  list<array{Mark, Position}>  $marks  with their new places
     */
    public function __construct(
        public Setup $setup,
        public Station $station,
        public ?SetupSolution $solution,
        public array $marks,
    ) {}

    /** How far the marks move at most, in plan and in height; metres. */
    public function largest(): float
    {
        return max([0.0, ...array_map(
            static fn (array $m) => hypot($m[0]->position()->distanceTo($m[1]), (float) $m[1]->elevation - (float) $m[0]->elevation),
            $this->marks,
        )]);
    }
}
