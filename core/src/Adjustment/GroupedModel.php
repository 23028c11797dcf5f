<?php

declare(strict_types=1);

namespace Parlay\Core\Adjustment;

/** Blocks of observations that can be linearised about any values of the unknowns. */
interface GroupedModel
{
    /**
     * @param  list<float>  $unknowns
     * @return list<ObservationGroup>
     */
    public function blocksAt(array $unknowns): array;
}
