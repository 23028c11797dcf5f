<?php

declare(strict_types=1);

namespace Parlay\Core\Adjustment;

/** Blocks of observations that can be linearised about any values of the unknowns. */
interface BlockModel
{
    /**
     * @param  list<float>  $unknowns
     * @return list<Block>
     */
    public function blocksAt(array $unknowns): array;
}
