<?php

declare(strict_types=1);

namespace App\Stakeout;

use App\Stakeout\Models\Mark;
use Parlay\Core\Stakeout\Acceptance;
use Parlay\Core\Stakeout\Conformance;
use Parlay\Core\Stakeout\Conformity;
use Parlay\Core\Stakeout\DecisionRule;
use Parlay\Core\Stakeout\Deviation;
use Parlay\Core\Stakeout\Verdict;

/** How far a mark may be wrong, and whether it conforms to its tolerance by the project's rule. */
final readonly class MarkConformance
{
    /**
     * planUncertain: half the longer axis of the ellipse, heightUncertain: either way, which hold in 95 of 100 cases; metres; null where it can't differ. plan, height: probability that it
     * conforms; null where that is not judged. conformity: what follows by the rule; null where nothing is judged. level: what the guarded rule asks for.
     */
    public function __construct(
        public ?float $planUncertain,
        public ?float $heightUncertain,
        public ?float $plan,
        public ?float $height,
        public ?Conformity $conformity,
        public Acceptance $acceptance,
        public float $level,
    ) {}

    /** Null where there is no design, or the mark's spread is not known. */
    public static function of(Mark $m, ?Deviation $deviation, DecisionRule $rule): ?self
    {
        $spread = $m->spread === null ? null : MarkSpread::read($m->spread);
        if ($deviation === null || $spread === null) {
            return null;
        }
        $found = $m->verdict === Verdict::Undecided->value ? null : Conformance::judge($deviation, $spread, $m->tolerance(), $deviation->judgedOf($m->judged), $rule);

        return new self(
            $spread->plan() > 0.0 ? $spread->plan() : null, $deviation->height === null ? null : $spread->height(), $found?->plan, $found?->height, $found?->conformity, $rule->acceptance, $rule->level,
        );
    }

    /** The weaker one of plan and height; null where nothing is judged. */
    public function probability(): ?float
    {
        return $this->plan === null && $this->height === null ? null : min($this->plan ?? 1.0, $this->height ?? 1.0);
    }

    /** Whether it conforms no more surely than it does not, by the level that is asked for: told also where the figure alone decides. */
    public function isClose(): bool
    {
        $p = $this->probability();

        return $p !== null && $p < $this->level && $p > 1.0 - $this->level;
    }
}
