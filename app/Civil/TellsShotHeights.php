<?php

declare(strict_types=1);

namespace App\Civil;

/** Asked by a surface that was shot, of whoever knows the shots: how far their heights may be wrong. */
interface TellsShotHeights
{
    /**
     * @param  list<int>  $marks  numbers of the shots
     * @return array{float, float}|null standard deviations in metres: of one shot for its own sake, and of what all of them share; null where nobody knows
     */
    public function deviations(array $marks): ?array;
}
