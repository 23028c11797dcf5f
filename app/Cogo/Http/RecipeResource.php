<?php

declare(strict_types=1);

namespace App\Cogo\Http;

use App\Cogo\Construction;
use App\Cogo\ElevationWanted;
use Parlay\Core\ListOf;

/** How a point was made; without a construction it was typed or came from a file. */
final readonly class RecipeResource
{
    /** @param  list<string>  $looks  of a spot of a thing of a model: whereto each face looks that it is held by, as it stands now */
    public function __construct(
        public string $description,
        public ?Construction $construction,
        public string $letter,
        public int $index,
        public ?ElevationWanted $elevation,
        #[ListOf('string')]
        public array $looks = [],
    ) {}
}
