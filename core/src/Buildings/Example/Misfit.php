<?php

declare(strict_types=1);

namespace Parlay\Core\Buildings\Example;

/** Why an example does not fit a thing. */
enum Misfit: string
{
    case NoShape = 'noShape';
    case TooManyFaces = 'tooManyFaces';
    case OtherFaces = 'otherFaces';
    case OtherHoles = 'otherHoles';
    case OtherRounds = 'otherRounds';
    case OtherEdges = 'otherEdges';
    case NoCrossing = 'noCrossing';
    /** The spot does not say what it is held by. */
    case Unsaid = 'unsaid';
}
