<?php

declare(strict_types=1);

namespace App\Stakeout;

use App\Civil\SurfaceHere;
use App\Instrument\InstrumentState;
use App\Instrument\LeadState;
use Parlay\Core\Geometry\Position;
use Parlay\Core\ListOf;
use Parlay\Core\Stakeout\Aims\Designed;
use Parlay\Core\Stakeout\Aims\OnAlignment;
use Parlay\Core\Stakeout\Aims\OnLine;
use Parlay\Core\Stakeout\Guidance;
use Parlay\Core\Stakeout\Judged;

final readonly class Live
{
    /**
     * lead: who leads the instrument; null where nobody has given it an order yet. elsewhere: the project that the instrument has been set up for since. gradeTolerance: within which the grade that is staked is judged, metres; null where cut and fill are only told. unproven: the setup came in with a packed project, and no check has proven yet that it holds. another: the serial number of the one that is linked, where
     * this project was set up with another. target: the prepared point that is staked, aim: or what was chosen in the field; designed: what
     * of it is designed where the pole stands. by: where the pole stands beside the line that moves are said by, and byStation where that is an
     * alignment. surfaces: where a surface is staked, all that have this place.
     *
     * @param  list<SurfaceHere>  $surfaces
     */
    public function __construct(
        public int $seq,
        public int $revision,
        public int $prepared,
        public InstrumentState $instrument,
        public ?LeadState $lead,
        public ?string $elsewhere,
        public bool $unproven,
        public ?string $another,
        public ?Position $pole,
        public ?float $readingAge,
        public ?int $target,
        public ?int $aim,
        public ?int $aimVersion,
        public ?Designed $designed,
        public ?Guidance $guidance,
        public Judged $judged,
        public ?float $gradeTolerance,
        public ?OnLine $by,
        public ?OnAlignment $byStation,
        #[ListOf(SurfaceHere::class)]
        public array $surfaces,
    ) {}
}
