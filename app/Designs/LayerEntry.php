<?php

declare(strict_types=1);

namespace App\Designs;

use App\Designs\Models\DesignLayer;
use Parlay\Core\ListOf;

final readonly class LayerEntry
{
    /**
     * @param  list<KindCount>  $kinds
     * @param  list<string>  $strings
     * @param  list<float>  $extent
     * @param  string|null  $ownColour  chosen here; null leaves the file’s own
     */
    public function __construct(
        public int $id,
        public string $name,
        public string $colour,
        public ?string $ownColour,
        public bool $visible,
        public bool $pickable,
        public int $count,
        #[ListOf(KindCount::class)]
        public array $kinds,
        #[ListOf('string')]
        public array $strings,
        public int $curves,
        #[ListOf('float')]
        public array $extent,
    ) {}

    public static function of(DesignLayer $l): self
    {
        $kinds = array_map(
            static fn (string $kind, int $count) => new KindCount($kind, $count), array_keys($l->kinds), array_values($l->kinds),
        );

        return new self(
            id: $l->id,
            name: $l->name,
            colour: $l->colour,
            ownColour: $l->own_colour,
            visible: $l->visible,
            pickable: $l->pickable,
            count: $l->count,
            kinds: $kinds,
            strings: $l->strings,
            curves: $l->kinds['spline'] ?? 0,
            extent: $l->extent ?? [],
        );
    }
}
