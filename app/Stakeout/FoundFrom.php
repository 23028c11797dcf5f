<?php

declare(strict_types=1);

namespace App\Stakeout;

use Parlay\Core\ListOf;
use Parlay\Core\Stakeout\HiddenShot;

/** That a place was found from several shots: how, and from which readings before the last one. */
final readonly class FoundFrom
{
    /** @param  list<int>  $more  numbers of the readings before the mark's own, in the order that the method takes */
    public function __construct(
        public HiddenShot $shot,
        #[ListOf('int')]
        public array $more,
    ) {}

    /** @return array{shot: array<string, mixed>, more: list<int>} as it is kept */
    public function kept(): array
    {
        return ['shot' => ['method' => $this->shot->method->value] + get_object_vars($this->shot), 'more' => $this->more];
    }
}
