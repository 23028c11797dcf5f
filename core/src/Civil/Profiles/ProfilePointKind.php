<?php

declare(strict_types=1);

namespace Parlay\Core\Civil\Profiles;

/** Named places of a profile; the case's value is the abbreviation in use where nothing else is wished. */
enum ProfilePointKind: string
{
    case Start = 'BVP';
    case End = 'EVP';
    case Vertex = 'PVI';
    case CurveBegins = 'PVC';
    case CurveEnds = 'PVT';
    case High = 'HP';
    case Low = 'LP';
}
