<?php

declare(strict_types=1);

namespace App\Designs;

/** A storey of a building model; height in drawing units, as it is placed. */
final readonly class StoreyEntry
{
    public function __construct(public string $name, public float $height) {}
}
