<?php

declare(strict_types=1);

namespace App\Stakeout;

/** What a device says of the lead of the instrument. */
enum LeadDeed: string
{
    /** it would like to lead */
    case Ask = 'ask';
    /** the one that asks leads from now on */
    case Give = 'give';
    /** the one that leads goes on leading */
    case Keep = 'keep';
    /** it leads from now on: nobody led, whoever did is not heard, or did not answer */
    case Take = 'take';
    /** its page was closed: whoever gives the next order leads, unless another page of it is open */
    case Leave = 'leave';
}
