<?php

declare(strict_types=1);

namespace App\Buildings;

use Parlay\Core\Geometry\Position;

/** A face or an axis of a thing, where it lies on the site. */
final readonly class PartFound
{
    /**
     * @param  Position  $place  the middle of the face, or the lower end of the axis
     * @param  PartLay  $lay  how it lies
     */
    public function __construct(public string $name, public string $source, public Position $place, public PartLay $lay) {}
}
