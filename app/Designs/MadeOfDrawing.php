<?php

declare(strict_types=1);

namespace App\Designs;

use App\Designs\Models\Design;

/** What is made of a drawing beside it when it is taken, so that nobody waits for it later. What fails here is made, or said, when it is asked for. */
interface MadeOfDrawing
{
    /** @param  callable(float, string): mixed  $tell  how far it is (0 to 1), and what is being done */
    public function make(Design $design, callable $tell): void;
}
