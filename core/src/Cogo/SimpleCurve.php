<?php

declare(strict_types=1);

namespace Parlay\Core\Cogo;

use Parlay\Core\Geometry\NoConstruction;

/**
 * A circular curve from any two of its elements. Every element is the radius times a function of the angle alone, so two elements fix the
 * angle, by halving where no closed form is needed. Source: Ghilani & Wolf, Elementary Surveying, horizontal curves (recalled).
 */
final readonly class SimpleCurve
{
    private function __construct(
        public float $radius,
        public float $angle,
    ) {}

    /**
     * @param  float  $p  metres, or radians for the angle
     * @throws NoConstruction
     */
    public static function from(CurveElement $a, float $p, CurveElement $b, float $q): self
    {
        if ($a === $b) {
            throw NoConstruction::contradiction('Two different elements of the curve are needed.');
        }
        if (in_array(CurveElement::Tangent, [$a, $b], true) && in_array(CurveElement::MiddleOrdinate, [$a, $b], true)) {
            throw NoConstruction::contradiction('Tangent and middle ordinate leave two curves. Give another element.');
        }
        foreach ([[$a, $p], [$b, $q]] as [$element, $value]) {
            if ($value <= 0.0) {
                throw NoConstruction::notPositive('The '.$element->word());
            }
        }
        if ($b === CurveElement::Angle) {
            [$a, $p, $b, $q] = [$b, $q, $a, $p];
        }
        if ($a === CurveElement::Angle) {
            return self::ofAngle($p, $b, $q);
        }
        $angle = self::angleOf($a, $b, $p / $q);
        $by = $a === CurveElement::Radius ? $p : ($b === CurveElement::Radius ? $q : $p / $a->ofUnit($angle));

        return new self($by, $angle);
    }

    /** Metres for lengths, radians for the deflection angle. */
    public function of(CurveElement $element): float
    {
        return $element === CurveElement::Angle ? $this->angle : $this->radius * $element->ofUnit($this->angle);
    }

    /** Tangent length, metres: R tan(Δ/2). */
    public function tangent(): float
    {
        return $this->of(CurveElement::Tangent);
    }

    /** @return list<Quantity> all elements; those that a curve of half a turn or more has not are left out */
    public function figures(): array
    {
        $figures = [];
        foreach (CurveElement::cases() as $element) {
            $far = $element === CurveElement::Tangent || $element === CurveElement::External;
            if (! $far || $this->angle < M_PI - 1e-9) {
                $figures[] = new Quantity(
                    $element->word(), $element === CurveElement::Angle ? QuantityKind::Angle : QuantityKind::Length,
                    $this->of($element),
                );
            }
        }

        return $figures;
    }

    private static function ofAngle(float $angle, CurveElement $b, float $q): self
    {
        $most = $b === CurveElement::Tangent || $b === CurveElement::External ? M_PI : 2 * M_PI;
        if ($angle >= $most) {
            throw NoConstruction::outOfRange(
                'The angle', $most === M_PI ? 'less than half a turn, for tangents to meet' : 'less than a whole turn',
            );
        }

        return new self($q / $b->ofUnit($angle), $angle);
    }

    /** The angle at which the two elements have this ratio. */
    private static function angleOf(CurveElement $a, CurveElement $b, float $ratio): float
    {
        $whole = in_array(CurveElement::Length, [$a, $b], true) && in_array(CurveElement::Radius, [$a, $b], true);
        $off = static fn (float $angle): float => $a->ofUnit($angle) - $ratio * $b->ofUnit($angle);
        [$low, $high] = [1e-7, ($whole ? 2 : 1) * M_PI - 1e-12];
        [$below, $above] = [$off($low), $off($high)];
        if ($below * $above > 0) {
            throw NoConstruction::contradiction(sprintf(
                'There is no curve of half a turn or less with this %s and %s: one is too long for the other.', $a->word(), $b->word(),
            ));
        }
        for ($i = 0; $i < 200 && $high - $low > 1e-16; $i++) {
            $middle = ($low + $high) / 2;
            [$low, $high] = $off($middle) * $below > 0 ? [$middle, $high] : [$low, $middle];
        }

        return ($low + $high) / 2;
    }
}
