<?php

declare(strict_types=1);

namespace App\Lists;

/** What becomes of a file whose points are strings, the corners of lines. */
enum StringsChoice: string
{
    case Lines = 'lines';
    case Points = 'points';
    case Both = 'both';
}
