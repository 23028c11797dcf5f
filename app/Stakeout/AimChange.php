<?php

declare(strict_types=1);

namespace App\Stakeout;

use App\Civil\CivilLay;
use Parlay\Core\Stakeout\Judged;

/** Changes what is staked of a line, what marks are called, and what counts. */
final readonly class AimChange
{
    /** version: as it was seen. judged: null where the code decides. renew: taken again from the newest revision of its drawing. */
    public function __construct(
        public int $version,
        public ?LineLay $lay = null,
        public ?CivilLay $civil = null,
        public ?string $series = null,
        public ?string $code = null,
        public ?Judged $judged = null,
        public bool $renew = false,
        public bool $putAway = false,
    ) {}
}
