<?php

declare(strict_types=1);

namespace App\Reports;

use App\Models\Mark;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Stakeout\Deviation;

/** One mark of the report. */
final readonly class ReportRow
{
    public function __construct(
        public Mark $mark,
        public ?Position $design,
        public Position $found,
        public ?Deviation $deviation,
    ) {}

    public static function of(Mark $mark): self
    {
        return new self($mark, $mark->design(), $mark->position(), $mark->deviation());
    }

    public function kind(): string
    {
        return ['stake' => 'staked', 'as_built' => 'built', 'check' => 'check'][$this->mark->kind];
    }

    /** Marks that another of the same point replaced later. */
    public function verdict(): string
    {
        return ['in' => '● in', 'out' => '▲ OUT', 'undecided' => '○ no design'][$this->mark->verdict];
    }
}
