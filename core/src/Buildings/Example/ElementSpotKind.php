<?php

declare(strict_types=1);

namespace Parlay\Core\Buildings\Example;

/** What of a thing a spot is. */
enum ElementSpotKind: string
{
    /** Where three faces meet; each may be taken so far inward: then it is a place at distances from them. */
    case Corner = 'corner';
    /** Of the edge between two faces. */
    case EdgeMiddle = 'edgeMiddle';
    case FaceCentre = 'faceCentre';
    /** The centre of the circle at one end of something round. */
    case AxisEnd = 'axisEnd';
    /** Where an axis goes through a face, or through a plane so far behind it. */
    case AxisThroughFace = 'axisThroughFace';
}
