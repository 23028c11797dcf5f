<?php

declare(strict_types=1);

namespace Parlay\Core\Adjustment;

/** A set of observations that can be linearised about any values of the unknowns. */
interface Model
{
    /**
     * @param  list<float>  $unknowns
     *  @return list<Equation>
     */
    public function equationsAt(array $unknowns): array;
}
