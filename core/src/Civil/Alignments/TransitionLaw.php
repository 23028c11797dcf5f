<?php

declare(strict_types=1);

namespace Parlay\Core\Civil\Alignments;

/**
 * How the curvature of a transition grows from one end to the other, over the share u of its length.
 *
 * Sources: the names are those of the LandXML 1.2 schema; the laws as in the literature on track geometry (Bloss 1936: 3u² - 2u³; cosine:
 * (1 - cos πu)/2; sinusoid, Klein: u - sin(2πu)/2π; biquadratic, Helmert/Schramm: two parabolas), all recalled, each checked by its ends
 * and its symmetry.
 */
enum TransitionLaw: string
{
    case Clothoid = 'clothoid';
    case Bloss = 'bloss';
    case Cosine = 'cosine';
    case Sinusoid = 'sinusoid';
    case Biquadratic = 'biquadratic';
    /** y = x³/(6RX) along the tangent: its curvature is that of this curve, not of its length */
    case CubicParabola = 'cubic';

    /** Share of the curvature reached at a share of the length. */
    public function curvature(float $u): float
    {
        return match ($this) {
            self::Clothoid, self::CubicParabola => $u,
            self::Bloss => $u * $u * (3 - 2 * $u),
            self::Cosine => (1 - cos(M_PI * $u)) / 2,
            self::Sinusoid => $u - sin(2 * M_PI * $u) / (2 * M_PI),
            self::Biquadratic => $u <= 0.5 ? 2 * $u * $u : 1 - 2 * (1 - $u) ** 2,
        };
    }

    /** What the curvature adds up to by then; a half at the end of all of them. */
    public function turned(float $u): float
    {
        return match ($this) {
            self::Clothoid, self::CubicParabola => $u * $u / 2,
            self::Bloss => $u ** 3 - $u ** 4 / 2,
            self::Cosine => $u / 2 - sin(M_PI * $u) / (2 * M_PI),
            self::Sinusoid => $u * $u / 2 + (cos(2 * M_PI * $u) - 1) / (4 * M_PI * M_PI),
            self::Biquadratic => $u <= 0.5 ? 2 * $u ** 3 / 3 : $u - 0.5 + 2 * (1 - $u) ** 3 / 3,
        };
    }
}
