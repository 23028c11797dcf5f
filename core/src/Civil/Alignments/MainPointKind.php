<?php

declare(strict_types=1);

namespace Parlay\Core\Civil\Alignments;

/** Places of an alignment that have a name in the trade; the case's value is the abbreviation in use where nothing else is wished. */
enum MainPointKind: string
{
    case Start = 'BP';
    case End = 'EP';
    /** tangent to curve, curve to tangent */
    case CurveBegins = 'PC';
    case CurveEnds = 'PT';
    /** curve to curve, bending the same way, and the other way */
    case Compound = 'PCC';
    case Reverse = 'PRC';
    case TangentToSpiral = 'TS';
    case SpiralToCurve = 'SC';
    case CurveToSpiral = 'CS';
    case SpiralToTangent = 'ST';
    case SpiralToSpiral = 'SS';
    /** straight to straight at an angle */
    case Angle = 'PI';

    public static function of(Element $before, Element $after): self
    {
        return match ([$before->kind, $after->kind]) {
            [ElementKind::Line, ElementKind::Line] => self::Angle,
            [ElementKind::Line, ElementKind::Arc] => self::CurveBegins,
            [ElementKind::Arc, ElementKind::Line] => self::CurveEnds,
            [ElementKind::Arc, ElementKind::Arc] => $before->to * $after->from > 0 ? self::Compound : self::Reverse,
            [ElementKind::Line, ElementKind::Spiral] => self::TangentToSpiral,
            [ElementKind::Spiral, ElementKind::Arc] => self::SpiralToCurve,
            [ElementKind::Arc, ElementKind::Spiral] => self::CurveToSpiral,
            [ElementKind::Spiral, ElementKind::Line] => self::SpiralToTangent,
            default => self::SpiralToSpiral,
        };
    }
}
