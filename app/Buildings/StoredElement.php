<?php

declare(strict_types=1);

namespace App\Buildings;

use Parlay\Core\Buildings\Example\DoesNotFit;
use Parlay\Core\Buildings\Example\Parts;
use Parlay\Core\Buildings\Example\SpotPlace;
use Parlay\Core\Geometry\Frame;

/** A thing of a building model, as it stands on the site. */
final readonly class StoredElement
{
    /**
     * @param  int  $number  of its instance in the file
     * @param  string  $guid  its id, that outlives revisions
     * @param  string  $assembly  name of what it is a part of
     * @param  list<string>  $layers
     * @param  array<string, string>  $properties
     * @param  Frame  $place  from the axes of its first solid to the site, metres
     * @param  string  $shape  what its solids are, one by one, and how they lie along its axes: the same of things of the same shape
     */
    public function __construct(
        private ElementStore $store,
        public int $number,
        public string $guid,
        public string $class,
        public string $type,
        public string $name,
        public string $tag,
        public string $storey,
        public string $assembly,
        public array $layers,
        public array $properties,
        public ?string $fault,
        public Frame $place,
        public string $shape,
        public string $topology,
    ) {}

    /** @throws DoesNotFit where it has no shape */
    public function parts(): Parts
    {
        return $this->store->partsOf($this->shape);
    }

    /** @throws DoesNotFit */
    public function placed(): SpotPlace
    {
        return new SpotPlace($this->parts(), $this->place);
    }

    public function mirrored(): bool
    {
        return $this->place->determinant() < 0.0;
    }

    /** What people call it. */
    public function called(): string
    {
        return $this->name !== '' ? $this->name : ($this->type !== '' ? $this->type : $this->class);
    }
}
