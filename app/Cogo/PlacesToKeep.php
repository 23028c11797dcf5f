<?php

declare(strict_types=1);

namespace App\Cogo;

use Parlay\Core\Points\Order;

final readonly class PlacesToKeep
{
    /** name: the prefix of the names; crossings of grid lines are named by their lines, after the prefix. */
    public function __construct(
        public PlacesWanted $collection,
        public string $name,
        public Order $order = Order::AsListed,
        public string $code = '',
        public string $description = '',
        public ?ElevationWanted $elevation = null,
    ) {}
}
