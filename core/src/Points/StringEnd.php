<?php

declare(strict_types=1);

namespace Parlay\Core\Points;

/** A row of zeros, or of one value over and over: the points before it are a string, the corners of one line. */
final readonly class StringEnd
{
    /** @param  int  $line  of the file, after which the next line begins */
    public function __construct(
        public int $line,
    ) {}
}
