<?php

declare(strict_types=1);

namespace App\Http\Bodies;

use OpenApi\Attributes as OA;
use Parlay\Core\Points\Order;

#[OA\Schema]
final readonly class KeepCollectionBody
{
    /** name: the prefix of the names; crossings of grid lines are named by their lines, after the prefix. */
    public function __construct(
        public CollectionBody $collection,
        public string $name,
        public Order $order = Order::AsListed,
        public string $code = '',
        public string $description = '',
        public ?ElevationBody $elevation = null,
    ) {}
}
