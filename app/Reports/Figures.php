<?php

declare(strict_types=1);

namespace App\Reports;

use App\Civil\Stations;
use App\PrintZone;
use App\Stakeout\Aimed;
use App\Stakeout\AimKind;
use Parlay\Core\Stakeout\Deviation;
use Parlay\Core\Stakeout\Tolerance;
use Parlay\Core\Units\CoordinateOrder;
use Parlay\Core\Units\Side;
use Parlay\Core\Units\Units;

/** Figures as a printed sheet writes them: in the project's units, with a word where there is none. */
final readonly class Figures
{
    private const NONE = '–';

    private const UNCHECKED = 'not checked';

    /** metres³ */
    private const CUBIC_YARD = 0.9144 ** 3;

    public function __construct(private Units $units, private PrintZone $zone) {}

    /** @return array{string, string} northing and easting in the project's order */
    public function order(): array
    {
        return $this->units->order === CoordinateOrder::NorthingEasting ? ['northing', 'easting'] : ['easting', 'northing'];
    }

    public function length(?float $metres): string
    {
        return $metres === null ? self::NONE : $this->units->length->format($metres);
    }

    /** What a mark was made to besides a prepared point; empty where it was one. */
    public function aimed(?Aimed $a): string
    {
        if ($a !== null && $a->kind->isCivil()) {
            return $this->civil($a);
        }
        if ($a !== null && $a->before !== null) {
            $side = $a->kind === AimKind::Axis ? 'off it' : ($a->before < 0.0 ? 'behind it' : 'in front of it');

            return "{$a->name}, {$this->deviation(abs($a->before))} $side";
        }
        if ($a === null || $a->along === null) {
            return (string) $a?->name;
        }
        $beside = $a->parallel === 0.0 ? '' : ' ('.$this->length(abs($a->parallel)).($a->parallel < 0.0 ? ' left' : ' right').' of it)';

        return $a->kind === AimKind::Place ? $a->name : "{$a->name}$beside, {$this->length($a->along)} along";
    }

    /** The alignment with its station and offset, or the surface, with what its heights were worked at. */
    private function civil(Aimed $a): string
    {
        if ($a->station === null) {
            return $a->name;
        }
        $beside = $a->axisOffset === null || $this->length(abs($a->axisOffset)) === $this->length(0.0) ? '' : ', '.$this->length(abs($a->axisOffset)).($a->axisOffset < 0.0 ? ' left' : ' right');
        $region = ($a->region ?? 1) > 1 ? " ({$a->region})" : '';

        return "{$a->name} ".$this->units->station->format($a->station, Stations::unit($this->units->length))."$region$beside".($a->surface === '' ? '' : ", {$a->surface}");
    }

    /** Either way; empty where it is not known. */
    public function uncertain(?float $metres): string
    {
        return $metres === null ? '' : '± '.$this->units->length->formatDeviation($metres);
    }

    public function deviation(?float $metres, string $none = self::NONE): string
    {
        return $metres === null ? $none : $this->units->length->formatDeviation($metres);
    }

    /** Out by less than is written: then with as many places more as show it, so that no figure that equals the tolerance is called out. */
    public function judged(?float $metres, float $tolerance, string $none = self::NONE): string
    {
        return $metres === null ? $none : $this->units->length->formatJudged($metres, $tolerance, Deviation::isBeyond($metres, $tolerance));
    }

    public function judgedHeight(?float $metres, Tolerance $tolerance): string
    {
        if ($metres === null) {
            return self::NONE;
        }
        $allowed = $tolerance->allowed($metres);

        return Side::Height->judged($metres, $allowed, Deviation::isBeyond($metres, $allowed), $this->units->length);
    }

    /** What is allowed in height: either way, or up and down. */
    public function heightTolerance(Tolerance $tolerance): string
    {
        return $tolerance->above === null ? $this->deviation($tolerance->height)
            : $this->deviation($tolerance->above).' up, '.$this->deviation($tolerance->height).' down';
    }

    public function sided(Side $side, ?float $metres, string $none = self::UNCHECKED): string
    {
        return $metres === null ? $none : $side->length($metres, $this->units->length);
    }

    public function sidedAngle(Side $side, ?float $radians): string
    {
        return $radians === null ? self::UNCHECKED : $side->angle($radians, $this->units->angle);
    }

    public function angle(float $radians): string
    {
        return $this->units->angle->format($radians);
    }

    /** As it was read: a tenth of a second. */
    public function fineAngle(float $radians): string
    {
        return $this->units->angle->format($radians, 1);
    }

    /** As it is worked on with by hand. */
    public function fineLength(?float $metres): string
    {
        return $metres === null ? self::NONE : $this->units->length->formatFine($metres);
    }

    public function smallAngle(?float $radians): string
    {
        return $radians === null ? self::UNCHECKED : $this->units->angle->formatSmall($radians);
    }

    public function direction(float $azimuth): string
    {
        return $this->units->direction->format($azimuth, $this->units->angle);
    }

    public function share(?float $part): string
    {
        return $part === null ? self::NONE : round(100 * $part).' %';
    }

    /** @param  float  $square  metres² */
    public function area(float $square): string
    {
        $unit = $this->units->length->unit();

        return $this->units->length->isMetric() ? number_format($square, 1, '.', '').' m²' : number_format($square / $unit->metres() ** 2, 0, '.', '').' ft²';
    }

    /** @param  float  $cubic  metres³ */
    public function volume(float $cubic): string
    {
        return $this->units->length->isMetric()
            ? number_format($cubic, 2, '.', '').' m³' : number_format($cubic / self::CUBIC_YARD, 2, '.', '').' yd³';
    }

    public function time(string $at): string
    {
        return $this->zone->moment($at);
    }

    public function timeOfDay(string $at): string
    {
        return $this->zone->timeOfDay($at);
    }
}
