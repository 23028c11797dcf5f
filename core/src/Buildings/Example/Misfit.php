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
    /** Its faces do not meet in a corner. */
    case NoCorner = 'noCorner';
    /** A chamfer, a notch or a step is beside the face, or is not. */
    case OtherNeighbours = 'otherNeighbours';
    /** It is of the same shape in several ways, and they lead to other spots. */
    case SeveralWays = 'severalWays';
    /** The spot does not say what it is held by. */
    case Unsaid = 'unsaid';
}
