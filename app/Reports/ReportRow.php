<?php

declare(strict_types=1);

namespace App\Reports;

use App\Mending\Actions\MatchBuilt;
use App\Setups\Models\Setup;
use App\Stakeout\MarkConformance;
use App\Stakeout\Models\Mark;
use App\Stakeout\WhatCounts;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Stakeout\Acceptance;
use Parlay\Core\Stakeout\DecisionRule;
use Parlay\Core\Stakeout\Deviation;
use Parlay\Core\Stakeout\HiddenMethod;
use Parlay\Core\Stakeout\Judged;
use Parlay\Core\Stakeout\OffsetShot;
use Parlay\Core\Stakeout\Tolerance;

/** One mark of the report. */
final readonly class ReportRow
{
    /** @param  list<Trace>  $before  of the readings that it was found from, besides its own */
    public function __construct(
        public Mark $mark,
        public ?Position $design,
        public Position $found,
        public ?Deviation $deviation,
        public bool $replaced = false,
        public ?MarkConformance $conformance = null,
        public string $subject = '',
        public int $first = 0,
        public ?Trace $trace = null,
        public string $element = '',
        public ?int $model = null,
        public string $at = '',
        public array $before = [],
    ) {}

    /**
     * Replaced where a later mark of the same point counts in its place.
     *
     * @param  list<Trace>  $before
     */
    public static function of(Mark $mark, DecisionRule $rule, WhatCounts $what, ?Setup $setup, ElementOfMark $elements, array $before): self
    {
        $at = $mark->measuredAt();
        $trace = $mark->observation === null || $setup === null ? null : Trace::of($mark->observation, $setup);
        $mark->unsetRelation('observation');

        [$design, $found] = [$mark->design(), $mark->position()];
        $deviation = $design === null ? null : Deviation::between($design, $found);
        [$element, $model] = $elements->of($mark);

        return new self(
            mark: $mark, design: $design, found: $found, deviation: $deviation, replaced: ! $what->counts($mark->id),
            conformance: MarkConformance::of($mark, $deviation, $rule), subject: $what->subjectOf($mark->id), first: $what->placeOf($mark->id), trace: $trace, element: $element, model: $model, at: $at, before: $before,
        );
    }

    /** From the instrument, in plan; metres. */
    public function distance(): ?float
    {
        return $this->trace?->setup->position()->distanceTo($this->found);
    }

    /** Of its setup when it was measured, hours. */
    public function age(): ?float
    {
        return $this->trace === null ? null : max(0.0, (strtotime($this->at) - strtotime($this->trace->setup->at)) / 3600);
    }

    public function kind(): string
    {
        return ['stake' => 'staked', 'as_built' => 'built', 'check' => 'check'][$this->mark->kind];
    }

    /** From several shots, in words; empty where its own was enough. */
    public function foundFrom(): string
    {
        return match ($this->mark->foundFrom()?->shot->method) {
            HiddenMethod::TwoTapes => 'found by two tapes',
            HiddenMethod::WallCorner => 'found as the corner of two walls',
            HiddenMethod::RoundColumn => 'centre of a round column, from three shots',
            HiddenMethod::ColumnEdges => 'centre of a round column, from its edges and its front',
            HiddenMethod::Rod => 'found by a rod with two prisms',
            null => '',
        };
    }

    public function offset(): ?OffsetShot
    {
        return $this->mark->offsetShot();
    }

    public function tolerance(): Tolerance
    {
        return $this->mark->tolerance();
    }

    /** in, out, close or undecided: by the project's rule where that weighs the uncertainty, else by the measured figure. */
    public function called(): string
    {
        $c = $this->conformance;

        return $c?->acceptance === Acceptance::Guarded && $c->conformity !== null
            ? ['inside' => 'in', 'outside' => 'out', 'close' => 'close'][$c->conformity->value] : $this->mark->verdict;
    }

    public function verdict(): string
    {
        return $this->replaced ? 'replaced' : ['in' => '● in', 'out' => '▲ OUT', 'close' => '◆ too close to call', 'undecided' => $this->untold()][$this->called()];
    }

    /** At a grade stake it is wanted to be known how much is to be cut or filled: that is no fault. */
    private function untold(): string
    {
        $height = $this->deviation?->height;

        return $height === null ? '○ no design' : ($height > 0.0 ? '○ to cut' : '○ to fill');
    }

    /** How probable it is that it conforms, never as certain where it is not. */
    public function probability(): string
    {
        $p = $this->conformance?->probability();

        return $p === null ? '' : max(1, min(99, (int) round(100 * $p))).' %';
    }

    public function judgedOf(): Judged
    {
        return $this->deviation?->judgedOf($this->mark->judged) ?? $this->mark->judged;
    }

    /** What of it was judged, in words. */
    public function judged(): string
    {
        return $this->mark->verdict === 'undecided' ? '' : match ($this->judgedOf()) {
            Judged::PlanAndHeight => 'plan and height',
            Judged::Plan => 'plan only',
            Judged::Height => 'height only',
        };
    }

    /** What stands under the verdict: what was not judged, and that it was left so. */
    public function verdictNotes(): string
    {
        return implode(', ', array_filter([
            $this->conformance?->isClose() === true ? 'in with '.$this->probability() : '',
            $this->mark->mends === null ? '' : (str_ends_with($this->mark->design_source, MatchBuilt::AFTERWARDS) ? 'held against it afterwards' : 'corrected'),
            $this->judgedOf() === Judged::PlanAndHeight ? '' : $this->judged(), $this->mark->left_so ? 'left so' : '',
            $this->mark->issued() === null ? '' : 'marked where the wall stands', $this->mark->offsetShot() === null ? '' : 'measured beside the prism',
            $this->before === [] ? '' : $this->foundFrom(),
        ]));
    }

    /** The parallel that it was made to, in the words it was given; empty where it was the line itself. */
    public function parallel(): string
    {
        $a = $this->mark->aimed();

        return $a === null || $a->parallel === 0.0 ? '' : ($a->parallelName !== '' ? $a->parallelName : ($a->parallel < 0.0 ? 'left' : 'right'));
    }
}
