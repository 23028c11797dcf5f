<?php

declare(strict_types=1);

namespace App\Cogo\Http;

use Parlay\Core\Cogo\Inverse;
use Parlay\Core\Cogo\Turn;

final readonly class InverseResource
{
    public function __construct(public Inverse $between, public ?Turn $turn) {}
}
