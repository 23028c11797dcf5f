<?php

declare(strict_types=1);

namespace App\Reports;

use App\Stakeout\Models\Mark;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Stakeout\Deviation;
use Parlay\Core\Stakeout\Tolerance;

/** One mark of the report. */
final readonly class ReportRow
{
    public function __construct(
        public Mark $mark,
        public ?Position $design,
        public Position $found,
        public ?Deviation $deviation,
        public bool $replaced = false,
    ) {}

    /** @param  bool  $replaced  a later mark of the same point counts in its place */
    public static function of(Mark $mark, bool $replaced = false): self
    {
        return new self($mark, $mark->design(), $mark->position(), $mark->deviation(), $replaced);
    }

    public function kind(): string
    {
        return ['stake' => 'staked', 'as_built' => 'built', 'check' => 'check'][$this->mark->kind];
    }

    public function tolerance(): Tolerance
    {
        return new Tolerance($this->mark->plan_tolerance, $this->mark->height_tolerance);
    }

    public function verdict(): string
    {
        return $this->replaced ? 'replaced' : ['in' => '● in', 'out' => '▲ OUT', 'undecided' => '○ no design'][$this->mark->verdict];
    }
}
