<?php

declare(strict_types=1);

namespace App\Examples;

use Parlay\Core\Buildings\Example\FaceHold;

/** The face of a thing that was touched. */
final readonly class TouchedFace
{
    /** looks: whereto, in words, as it stands on the site. away: how far behind the face the other side lies, metres; null where none does. */
    public function __construct(public string $looks, public FaceHold $face) {}
}
