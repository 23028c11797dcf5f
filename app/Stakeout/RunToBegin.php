<?php

declare(strict_types=1);

namespace App\Stakeout;

use Parlay\Core\ListOf;
use Parlay\Core\Stakeout\RunOrder;

/** A run over points: those of a list, those chosen, or those that an earlier run left. */
final readonly class RunToBegin
{
    /**
     * leader: a name of the device that leads it. from, to: of the list, counted from 1. fromNorthing, fromEasting: where one begins to walk.
     * skippedOf: the run whose skipped ones, and those it was stopped before, are to be done. openOnly: those done are left out. evenRunning: another run is stopped for it.
     *
     * @param  list<int>  $pointIds
     * @param  list<int>  $aimIds
     */
    public function __construct(
        public string $key,
        public string $leader,
        public RunSettings $settings = new RunSettings,
        public RunOrder $order = RunOrder::Listed,
        #[ListOf('int')]
        public array $pointIds = [],
        #[ListOf('int')]
        public array $aimIds = [],
        public ?int $from = null,
        public ?int $to = null,
        public ?float $fromNorthing = null,
        public ?float $fromEasting = null,
        public ?int $skippedOf = null,
        public bool $openOnly = false,
        public bool $evenRunning = false,
    ) {}
}
