<?php

declare(strict_types=1);

namespace Parlay\Words;

use Parlay\Core\Setups\Blunders\Cause;
use Parlay\Core\Setups\Blunders\Coordinate;
use Parlay\Core\Setups\Blunders\Decider;
use Parlay\Core\Setups\Blunders\DeciderKind;
use Parlay\Core\Setups\Blunders\Explanation;
use Parlay\Core\Setups\Blunders\Slip;
use Parlay\Core\Units\AngleStyle;
use Parlay\Core\Units\LengthStyle;

/** Why the sights of a setup don't fit, what to do, and what would decide: in sentences, with the project's units. */
final readonly class Explanations
{
    public function __construct(
        private LengthStyle $length,
        private AngleStyle $angle,
    ) {}

    public function sentence(Explanation $e): string
    {
        $d = $e->details;
        $name = $e->sights[0] ?? '';
        $by = $this->length->formatDeviation(abs((float) $d->by));
        $long = $d->by > 0 ? 'long' : 'short';
        $high = $d->by > 0 ? 'high' : 'low';

        return match ($e->cause) {
            Cause::CoordinateDigit => sprintf(
                'The %s of “%s”%s was written wrong: %s', $d->slip?->coordinate->value, $name,
                $d->station === null ? '' : ', under the tripod,', $this->slip($d->slip),
            ),
            Cause::Exchanged => sprintf(
                'Northing and easting of “%s”%s are exchanged in the control.', $name,
                $d->station === null ? '' : ', under the tripod,',
            ),
            Cause::NamesExchanged => sprintf(
                '“%s” and “%s” are exchanged: each was sighted under the other’s name, or the list has each other’s coordinates.',
                ...$e->sights,
            ),
            Cause::AnotherMark => sprintf('“%s” was sighted, and “%s” was named.', $e->sights[1] ?? '', $name),
            Cause::Misread => $d->halfTurn ? "The direction to “{$name}” is off by half a turn: it was misread, or booked on the wrong face."
                : sprintf(
                    'The direction to “%s” was misread: it is %s too %s.', $name, $this->angle->format(abs((float) $d->angle)),
                    $d->angle > 0 ? 'large' : 'small',
                ),
            Cause::Shifted => $this->shifted($e),
            Cause::Height => "“{$name}” comes out $by too $high: its target height or its elevation in the control is wrong by that."
                .($d->slip?->coordinate === Coordinate::Elevation
                    ? ' One slip of the pen in the elevation would do it: '.$this->slip($d->slip)
                    : ''),
            Cause::PrismConstant => "The distance to “{$name}” is $by too $long: the prism constant was another there.",
            Cause::Reflection => "The distance to “{$name}” is $by too $long: another prism, or a reflection, was hit.",
            Cause::PrismConstantOfAll => "The prism constant is wrong for all sights: every distance comes out $by too $long.",
            Cause::DistanceOfAll => "Every distance comes out $by too $long, which is more than prism constants differ by.",
            Cause::Scale => sprintf(
                'All distances are too %s by %.0f ppm of their length.', $d->part > 0 ? 'long' : 'short', abs((float) $d->part) * 1e6,
            ),
            Cause::Collimation => sprintf(
                'The instrument’s collimation is off by %s: one face alone shows it in steep sights.',
                $this->angle->formatSmall(abs((float) $d->angle)),
            ),
            Cause::Index => sprintf(
                'The instrument’s zenith angles are off by %s: in one face all heights come out wrong in proportion to their distance.',
                $this->angle->formatSmall(abs((float) $d->angle)),
            ),
            Cause::TwoSights => 'Two sights are wrong. '.implode(' ', array_map($this->sentence(...), $d->each)),
            Cause::LessExact => "No single sight is off by much, but together they differ by more than the instrument explains. Control known to about $by would explain it.",
            Cause::TripodMoved => "The tripod moved before “{$name}” was sighted: the sights before it fit, and those from it on fit, but not together.",
            Cause::InstrumentHeight => $d->alone === null
                ? "All sights come out $by too $high alike: the instrument height, the height of all targets, or the elevation of “{$d->station}” is wrong by that."
                : "“{$d->alone}” comes out $by too $high: the instrument height, the target height, or the elevation of “{$d->station}” or “{$d->alone}” is wrong by that.",
            Cause::HeightOtherwise => $d->wasSlanted
                ? sprintf(
                    'The instrument height was measured straight and read as slanted: %s straight fits.',
                    $this->length->format((float) $d->otherwise),
                )
                : sprintf(
                    'The instrument height was measured slanted and read as straight: %s to the notch is %s straight, and that fits.',
                    $this->length->format((float) $d->instrumentHeight), $this->length->format((float) $d->otherwise),
                ),
            Cause::AnotherStation => "The instrument stands on “{$name}”, and “{$d->station}” was named.",
            Cause::StationShifted => sprintf(
                'The instrument stands %s from where the control has “%s”, toward %s.', $by, $name, Compass::word((float) $d->toward),
            ),
        };
    }

    public function remedy(Explanation $e): string
    {
        $d = $e->details;
        $name = $e->sights[0] ?? '';

        return match ($e->cause) {
            Cause::CoordinateDigit => 'Compare it with the site surveyor’s list, and mend the control there and here.',
            Cause::Exchanged => 'Exchange them in the control, after a look at the site surveyor’s list.',
            Cause::NamesExchanged => 'Look which mark is which on site; then exchange them in the sights or in the control.',
            Cause::AnotherMark => sprintf('Give the sight the name “%s”, or sight “%s” again.', $e->sights[1] ?? '', $name),
            Cause::Misread => 'Read it again. If nobody can stand there any more, leave its direction out: what is left of the sight '
                .'still counts.',
            Cause::Shifted => ($d->pole !== null
                ? 'Plumb the pole and measure again.'
                : "Look whether “{$name}” is the mark that was sighted, and measure it again.")
                .' If it comes out the same, the control point has moved or its coordinates are wrong: leave it out, and tell the site surveyor.',
            Cause::Height => 'Measure the target height again. If it is right, the control’s elevation is not: ask the site surveyor.',
            Cause::PrismConstant => 'Look which prism stands there and which constant was set; then mend it for this sight. '
                .'A pole leaning toward the instrument looks the same: plumb it and measure again.',
            Cause::Reflection => "Measure “{$name}” again, with nothing else that reflects near the line. Until then its direction alone can count.",
            Cause::PrismConstantOfAll => 'Look which prism is on the pole and which constant is set, on the instrument and here; then '
                .'mend the constant.',
            Cause::DistanceOfAll => 'Look what the instrument is set to measure to (prism, foil or none), which constant or addition it applies, and whether '
                .'this was the prism that was sighted; then measure all sights again.',
            Cause::Scale => 'Check pressure, temperature and scale factor, here and on the instrument.',
            Cause::Collimation, Cause::Index => 'Measure the sights in both faces: their means are free of it. Then find the '
                .'instrument’s errors anew, and enter them.',
            Cause::TwoSights => 'Measure both again, one after the other, and look at their marks.',
            Cause::LessExact => 'Give the control a deviation of its own, then these sights count for what they are worth; '
                .'or measure more rounds and hold the pole with a bipod, if the control is better than that.',
            Cause::TripodMoved => 'Tread the tripod in, level it, and measure all sights again.',
            Cause::InstrumentHeight => 'Measure the instrument height again, then the target height. If both are right, the elevation '
                .'of the station is not: ask the site surveyor.',
            Cause::HeightOtherwise => 'Look how the tape was held; then say so beside the instrument height.',
            Cause::AnotherStation => "Look at the mark under the tripod; then name “{$name}” as the station, or set up over “{$d->station}”.",
            Cause::StationShifted => "Look whether it is centred over “{$name}”, and whether that is the mark. "
                .'If it is, its coordinates are wrong: set up free on the sights, and tell the site surveyor.',
        };
    }

    /** What to measure to tell apart those that stand level. */
    public function decides(Decider $d): string
    {
        return match ($d->kind) {
            DeciderKind::SightTo => "A sight to “{$d->mark}” decides.",
            DeciderKind::Again => "“{$d->mark}” measured again decides.",
            DeciderKind::AllAgain => 'Measure all sights again.',
            DeciderKind::AnotherMark => 'A sight to another mark, much nearer or much farther than these, decides.',
        };
    }

    private function shifted(Explanation $e): string
    {
        $d = $e->details;
        if ($d->by === null) {
            return "“{$e->sights[0]}” does not lie where the others have it.";
        }
        $too = $d->up === null ? '' : sprintf(' and %s too %s', $this->length->formatDeviation(abs($d->up)), $d->up > 0 ? 'high' : 'low');
        $leans = $d->pole === null
            ? ''
            : sprintf(' A pole of %s that leans by %.1f° does that.', $this->length->format($d->pole), rad2deg(asin($d->by / $d->pole)));

        return sprintf(
            '“%s” was found %s from where the control has it, toward %s%s.%s', $e->sights[0], $this->length->formatDeviation($d->by),
            Compass::word((float) $d->toward), $too, $leans,
        );
    }

    private function slip(?Slip $s): string
    {
        return $s === null
            ? ''
            : sprintf('%s stands there, and %s fits.', $this->length->format($s->written), $this->length->format($s->meant));
    }
}
