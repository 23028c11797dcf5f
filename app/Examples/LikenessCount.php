<?php

declare(strict_types=1);

namespace App\Examples;

/** How many things of the model are like one of them. */
final readonly class LikenessCount
{
    public function __construct(public AlikeBy $by, public int $count) {}
}
