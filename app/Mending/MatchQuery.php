<?php

declare(strict_types=1);

namespace App\Mending;

/** Which as-built shots are matched with which points. */
final readonly class MatchQuery
{
    /**
     * @param  float  $reach  how far a shot may lie from its design, metres
     * @param  string|null  $code  only points of that code
     * @param  int|null  $worklistId  only points on it
     *
     * @throws \DomainException
     */
    public function __construct(public float $reach = 0.1, public ?string $code = null, public ?int $worklistId = null)
    {
        if (! ($reach > 0.0 && $reach <= 10.0)) {
            throw new \DomainException('How far a shot may lie from its design is more than 0 and at most 10 m.');
        }
    }
}
