<?php

declare(strict_types=1);

namespace App\Stakeout;

use App\Stakeout\Models\Mark;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Stakeout\DecisionRule;
use Parlay\Core\Stakeout\Deviation;
use Parlay\Core\Stakeout\Judged;
use Parlay\Core\Stakeout\OffsetShot;
use Parlay\Core\Stakeout\PointState;
use Parlay\Core\Stakeout\Verdict;

final readonly class MarkEntry
{
    /**
     * at: when its line was written; measuredAt: when it was measured, which is earlier for one that mends another. setupNumber: counted in the project. planTolerance, heightTolerance: that it was judged by, metres; aboveTolerance: up from its design, where that is not the same as down. judged: what of it was. aimKey: of
     * the target that it was made to, where that was no prepared point; aimed: what that was. leftSo: out, and not to be done again. leaves: what a point is that was staked by it. issued: the design as it was issued, where the mark was made movedBy metres beside it
     * because the wall stands there. conformance: how far it may be wrong, and whether it conforms; null where there is no design. strike: where it was struck, or its strike taken back; told in the field book alone, elsewhere what is struck is not. offset: how far beside the prism it was measured, metres; null where the prism stood on it. foundFrom: from which other readings it was found; null where its own was enough.
     */
    public function __construct(
        public int $id,
        public string $at,
        public string $measuredAt,
        public string $kind,
        public int $setupId,
        public int $setupNumber,
        public int $observationId,
        public ?int $pointId,
        public string $name,
        public string $code,
        public Position $found,
        public ?Position $design,
        public ?Deviation $deviation,
        public string $verdict,
        public float $planTolerance,
        public float $heightTolerance,
        public ?float $aboveTolerance,
        public Judged $judged,
        public string $aimKey,
        public ?Aimed $aimed,
        public bool $leftSo,
        public PointState $leaves,
        public string $note,
        public ?Position $issued,
        public ?float $movedBy,
        public ?MarkConformance $conformance,
        public ?StrikeEntry $strike,
        public ?OffsetShot $offset,
        public ?FoundFrom $foundFrom,
    ) {}

    /** @param  DecisionRule  $rule  of its project */
    public static function of(Mark $m, DecisionRule $rule): self
    {
        $design = $m->design();
        $deviation = $m->deviation();

        return new self(
            id: $m->id,
            at: $m->at,
            measuredAt: $m->measuredAt(),
            kind: $m->kind,
            setupId: $m->setup_id,
            setupNumber: $m->setup->number,
            observationId: $m->observation_id,
            pointId: $m->point_id,
            name: $m->name,
            code: $m->code,
            found: $m->position(),
            design: $design,
            deviation: $deviation,
            verdict: $m->verdict,
            planTolerance: $m->plan_tolerance,
            heightTolerance: $m->height_tolerance,
            aboveTolerance: $m->above_tolerance,
            judged: $deviation?->judgedOf($m->judged) ?? $m->judged,
            aimKey: $m->aim_key,
            aimed: $m->aimed(),
            leftSo: $m->left_so,
            leaves: PointState::after(Verdict::from($m->verdict), $m->left_so),
            note: $m->note,
            issued: $m->issued(),
            movedBy: $m->movedBy(),
            conformance: MarkConformance::of($m, $deviation, $rule),
            strike: $m->relationLoaded('strike') && $m->strike !== null ? StrikeEntry::of($m->strike) : null,
            offset: $m->offsetShot(),
            foundFrom: $m->foundFrom(),
        );
    }
}
