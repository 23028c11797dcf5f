<?php

declare(strict_types=1);

namespace App\Designs;

/** A design is worked with while it is active; a background stays whichever is active. */
enum DesignRole: string
{
    case Design = 'design';
    case Background = 'background';
}
