<?php

declare(strict_types=1);

namespace Parlay\Core\Instrument;

/** Something a total station said. */
abstract readonly class InstrumentReport {}
