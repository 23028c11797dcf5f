<?php

declare(strict_types=1);

namespace App\Database;

/** Works out, when Parlay starts, what records of earlier versions lack. Nothing of it may keep Parlay from starting. */
interface BringsUpToDate
{
    /** @return string|null a sentence where something could not be worked out */
    public function bringUpToDate(): ?string;
}
