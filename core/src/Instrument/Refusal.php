<?php

declare(strict_types=1);

namespace Parlay\Core\Instrument;

/** Why an instrument would not do what it was told. */
enum Refusal: string
{
    case NotLevel = 'not_level';
    case NoPrism = 'no_prism';
    case SightBlocked = 'sight_blocked';
    case PrismLost = 'prism_lost';
    case OutOfRange = 'out_of_range';
    case Busy = 'busy';
    case BatteryFlat = 'battery_flat';
    case Cancelled = 'cancelled';
    case NoReturn = 'no_return';
    case NotUnderstood = 'not_understood';

    /** What happened and what to do, for whoever stands at the pole. */
    public function sentence(): string
    {
        return match ($this) {
            self::NotLevel => 'The instrument is not level. Level it, then check the setup on a control point.',
            self::NoPrism => 'No prism was found where the instrument points. Stand nearer to the point or turn the prism to the '
                .'instrument.',
            self::SightBlocked => 'Something stands between instrument and prism. Clear the line of sight and measure again.',
            self::PrismLost => 'The instrument lost the prism. Hold it still in sight and search again.',
            self::OutOfRange => 'The prism is nearer or farther than the instrument can measure.',
            self::Busy => 'The instrument is still busy with the last instruction. Wait for it or cancel it.',
            self::BatteryFlat => 'The instrument’s battery is flat. Change it, level up and check the setup.',
            self::Cancelled => 'The measurement was cancelled; nothing was taken.',
            self::NoReturn => 'Nothing came back from where the red dot points: it is too dark, too wet, too shiny or open there. Aim beside '
                .'it, or mark it with the prism.',
            self::NotUnderstood => 'The instrument did not understand. This is a fault in its driver.',
        };
    }
}
