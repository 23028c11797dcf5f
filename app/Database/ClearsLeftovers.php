<?php

declare(strict_types=1);

namespace App\Database;

/** Clears away, when Parlay starts, what an interrupted task left. Nothing of it may keep Parlay from starting. */
interface ClearsLeftovers
{
    /** @return list<string> what was set aside instead, a sentence each */
    public function clearAtStart(): array;
}
