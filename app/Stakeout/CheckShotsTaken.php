<?php

declare(strict_types=1);

namespace App\Stakeout;

use Parlay\Core\ListOf;

final readonly class CheckShotsTaken
{
    /**
     * holds: whether the setup still holds by its last check; null where none was taken. due: why a check is asked for now; null where
     * none is. offered: the control point that would prove most, by id; null where there is none but the one that is stood on.
     *
     * @param  list<CheckShotTaken>  $checks
     */
    public function __construct(
        #[ListOf(CheckShotTaken::class)]
        public array $checks,
        public ?bool $holds,
        public string $verdict,
        public ?string $due,
        public ?int $offered,
    ) {}
}
