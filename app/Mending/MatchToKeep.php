<?php

declare(strict_types=1);

namespace App\Mending;

/** A shot and the point that it is of; of none where that is null. */
final readonly class MatchToKeep
{
    public function __construct(public int $markId, public ?int $pointId) {}
}
