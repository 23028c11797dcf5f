<?php

declare(strict_types=1);

namespace Parlay\Core\Stakeout;

enum Conformity: string
{
    case Inside = 'inside';
    case Outside = 'outside';
    /** too close to call: neither is as probable as was asked for */
    case Close = 'close';
}
