<?php

declare(strict_types=1);

namespace App\Buildings;

use App\Buildings\Actions\BodiesOf;
use App\Designs\HeightsChoice;
use App\Designs\MadeOfDrawing;
use App\Designs\Models\Design;

/** What a building model is looked at and asked by. */
final class PrepareModel implements MadeOfDrawing
{
    public function make(Design $design, callable $tell): void
    {
        if ($design->place_word !== 'instance' || $design->heights !== HeightsChoice::Used->value) {
            return;
        }
        $tell(0.0, 'putting its solids together');
        (new BodiesOf)($design);
        ElementStore::of($design, static fn (float $share) => $tell(0.4 + 0.6 * $share, 'listing its things'));
    }
}
