<?php

declare(strict_types=1);

namespace App\Stakeout;

use App\Projects\Models\Project;
use App\Typed\Values;
use App\Worklists\NextRule;
use Parlay\Core\ListOf;

/** What the sheet shows while staking, and what follows a mark; kept with the project. */
final readonly class StakingChoices
{
    private const MOST_FIGURES = 4;

    /**
     * next: what is staked after a mark that is in. look: what is to be stored is looked at before it is. lath: after it, what goes on the lath is
     * shown large. figures: at most four; none means those that suit the target.
     *
     * @param  list<LathLine>  $lathLines
     * @param  list<SheetFigure>  $figures
     */
    public function __construct(
        public NextRule $next,
        public bool $look,
        public bool $lath,
        #[ListOf(LathLine::class)]
        public array $lathLines,
        #[ListOf(SheetFigure::class)]
        public array $figures,
    ) {}

    public static function of(Project $project): self
    {
        return $project->staking === null
            ? new self(NextRule::Nearest, false, false, [LathLine::Name, LathLine::Code, LathLine::Along, LathLine::Offset, LathLine::CutFill], [])
            : Values::of((array) json_decode($project->staking, true), self::class);
    }

    /** @throws \DomainException */
    public function check(): void
    {
        if (count($this->figures) > self::MOST_FIGURES) {
            throw new \DomainException('The sheet shows four figures at most: they are read at arm’s length.');
        }
    }
}
