<?php

declare(strict_types=1);

namespace App\Control\Http;

use App\Control\Models\GridLine;

/** How far a grid line lies from the one before it in its family; metres. */
final readonly class GridSpacingResource
{
    public function __construct(
        public string $from,
        public string $to,
        public float $apart,
    ) {}

    /**
     * @param  iterable<GridLine>  $lines  in their order; rings have no spacing
     * @return list<self>
     */
    public static function between(iterable $lines): array
    {
        $last = $spacings = [];
        foreach ($lines as $l) {
            if (! $l->ring) {
                $before = $last[$l->family] ?? null;
                if ($before !== null) {
                    $spacings[] = new self($before->name, $l->name, $before->line()->apart($l->line()));
                }
                $last[$l->family] = $l;
            }
        }

        return $spacings;
    }
}
