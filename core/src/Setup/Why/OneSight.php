<?php

declare(strict_types=1);

namespace Parlay\Core\Setup\Why;

use Parlay\Core\Geometry\Position;
use Parlay\Core\Instrument\Accuracy;
use Parlay\Core\Setup\Compass;
use Parlay\Core\Setup\ControlSight;
use Parlay\Core\Units\LengthStyle;

/** What is wrong with one sight, told by where the figure of the others has it. */
final readonly class OneSight
{
    /** Prism constants seldom differ by more, metres. */
    private const CONSTANT = 0.045;

    /** A pole is seldom further out of plumb than this, metres at the prism. */
    private const TILT = 0.25;

    private const HEIGHT_REMEDY = 'Measure the target height again. If it is right, the control’s elevation is not: ask the site surveyor.';

    /**
     * @param  array<string, Position>  $control  all control of the project, by name
     */
    public function __construct(
        private array $control,
        private Accuracy $accuracy,
        private LengthStyle $length,
    ) {}

    /** @param  Solved  $rest  the figure of the others */
    public function explain(ControlSight $s, Solved $rest): Explanation
    {
        $found = $rest->locate($s->sight);
        $spread = Spread::of($s, $rest, $this->accuracy);

        return $this->slip($s, $found, $spread, $rest) ?? $this->shift($s, $found, $spread, $rest);
    }

    /** A slip that is one exact thing: it explains the sight without anything free to choose. */
    private function slip(ControlSight $s, Position $found, Spread $spread, Solved $rest): ?Explanation
    {
        $face = $rest->locate($s->sight->turned(M_PI));
        if ($spread->covers($s->control, $face)) {
            return Explanation::scored(Cause::WrongFace, [$s->name], $rest, 0, $spread->misfit($s->control, $face), "The reading to “{$s->name}” was booked on the wrong face: its direction is half a turn off.", 'Measure it again, or mend the circle reading by half a turn, with a note.');
        }
        foreach ($this->control as $name => $place) {
            // Names that look like numbers become numbers as keys.
            if ((string) $name !== $s->name && $spread->covers($place, $found)) {
                return Explanation::scored(Cause::AnotherMark, [$s->name, (string) $name], $rest, 0, $spread->misfit($place, $found), "“{$name}” was sighted, and “{$s->name}” was named.", "Give the sight the name “{$name}”, or sight “{$s->name}” again.");
            }
        }
        $exchanged = new Position($s->control->easting, $s->control->northing, $s->control->elevation);
        if ($spread->covers($exchanged, $found)) {
            return Explanation::scored(Cause::Exchanged, [$s->name], $rest, 0, $spread->misfit($exchanged, $found), "Northing and easting of “{$s->name}” are exchanged in the control.", 'Exchange them in the control, after a look at the site surveyor’s list.');
        }

        return $this->digit($s, $found, $spread, $rest);
    }

    private function digit(ControlSight $s, Position $found, Spread $spread, Solved $rest): ?Explanation
    {
        $c = $s->control;
        $within = Spread::WITHIN * max($spread->across, $spread->along);
        $north = $this->meant($c->northing, $found->northing, $within);
        $east = $this->meant($c->easting, $found->easting, $within);
        $up = $c->elevation === null || $found->elevation === null ? null : $this->meant($c->elevation, $found->elevation, Spread::WITHIN * $spread->height);
        foreach ([['northing', $c->northing, $north, $north === null ? null : new Position($north, $c->easting, $c->elevation)], ['easting', $c->easting, $east, $east === null ? null : new Position($c->northing, $east, $c->elevation)], ['elevation', (float) $c->elevation, $up, $up === null ? null : $c->at($up)]] as [$word, $written, $meant, $place]) {
            if ($place !== null && $meant !== null && $spread->covers($place, $found)) {
                $fits = sprintf('%s stands there, and %s fits.', $this->length->format($written), $this->length->format($meant));

                return $word === 'elevation'
                    ? Explanation::scored(Cause::Height, [$s->name], $rest, 0, $spread->misfit($place, $found), $this->tooHigh($s, (float) $found->elevation - $written)." One slip of the pen in the elevation would do it: $fits", self::HEIGHT_REMEDY, (float) $found->elevation - $written)
                    : Explanation::scored(Cause::CoordinateDigit, [$s->name], $rest, 0, $spread->misfit($place, $found), "The $word of “{$s->name}” was written wrong: $fits", 'Compare it with the site surveyor’s list, and mend the control there and here.');
            }
        }

        return null;
    }

    /** Digits slip in the unit that the list was written in: the project's, or metres. */
    private function meant(float $written, float $found, float $within): ?float
    {
        return WrittenDigits::meant($written, $found, $within, $this->length->unit()->metres()) ?? WrittenDigits::meant($written, $found, $within);
    }

    /** Something off by a length that has to be found: along the sight, across it, or in height. */
    private function shift(ControlSight $s, Position $found, Spread $spread, Solved $rest): Explanation
    {
        [$across, $along, $up] = $spread->parts($s->control, $found);
        $level = $up === null || abs($up) <= Spread::WITHIN * $spread->height;
        $plan = hypot($across / $spread->across, $along / $spread->along);
        $slope = $s->sight->rise / max($s->sight->distance, 0.1);
        if ($plan <= Spread::WITHIN && ! $level) {
            return Explanation::scored(Cause::Height, [$s->name], $rest, 1, $plan ** 2, $this->tooHigh($s, (float) $up), self::HEIGHT_REMEDY, $up);
        }
        $heightOff = $up === null ? 0.0 : ((float) $up / $spread->height) ** 2;
        $prism = ($across / $spread->across) ** 2 + ($up === null ? 0.0 : (($up - $along * $slope) / $spread->height) ** 2) + (abs($along) > self::CONSTANT ? 6.0 : 0.0);
        if ($prism + Explanation::COST < $heightOff + 2 * Explanation::COST) {
            return Explanation::scored(Cause::PrismConstant, [$s->name], $rest, 1, $prism, sprintf('The distance to “%s” is %s too %s: the prism constant was another there.', $s->name, $this->length->formatDeviation(abs($along)), $along > 0 ? 'long' : 'short'), 'Look which prism stands there and which constant was set; then mend it for this sight. A pole leaning toward the instrument looks the same: plumb it and measure again.', -$along);
        }
        $size = hypot($across, $along);
        $direction = $s->control->azimuthTo($found);
        $tilt = $size < self::TILT ? sprintf(' A pole of %s that leans by %.1f° does that.', $this->length->format($s->sight->target->height), rad2deg(asin(min(1.0, $size / max($s->sight->target->height, 0.1))))) : '';

        return Explanation::scored(
            Cause::Shifted, [$s->name], $rest, 2, $level ? 0.0 : 9.0 + $heightOff / 4,
            sprintf('“%s” was found %s from where the control has it, toward %s.%s', $s->name, $this->length->formatDeviation($size), Compass::word($direction), $tilt),
            $size < self::TILT ? 'Plumb the pole and measure again. If it comes out the same, the mark has moved or its coordinates are wrong: leave it out, and tell the site surveyor.' : 'Leave it out in plan, and ask the site surveyor: the mark has moved, or its coordinates are wrong.',
            size: $size,
        );
    }

    private function tooHigh(ControlSight $s, float $up): string
    {
        return sprintf('“%s” comes out %s too %s: its target height or its elevation in the control is wrong by that.', $s->name, $this->length->formatDeviation(abs($up)), $up > 0 ? 'high' : 'low');
    }
}
