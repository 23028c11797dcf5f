<?php

declare(strict_types=1);

namespace Parlay\Core\Cogo;

/** What may be known of a circular curve. */
enum CurveElement: string
{
    case Radius = 'radius';
    case Angle = 'angle';
    case Length = 'length';
    case Chord = 'chord';
    case Tangent = 'tangent';
    case External = 'external';
    case MiddleOrdinate = 'middleOrdinate';

    /** This element of a curve of radius 1, by its angle. */
    public function ofUnit(float $angle): float
    {
        return match ($this) {
            self::Radius => 1.0,
            self::Angle => $angle,
            self::Length => $angle,
            self::Chord => 2 * sin($angle / 2),
            self::Tangent => tan($angle / 2),
            // Squares of sines keep their digits where the curve is flat.
            self::External => 2 * sin($angle / 4) ** 2 / cos($angle / 2),
            self::MiddleOrdinate => 2 * sin($angle / 4) ** 2,
        };
    }

    /** As it is called in lists. */
    public function word(): string
    {
        return $this === self::MiddleOrdinate ? 'middle ordinate' : $this->value;
    }
}
