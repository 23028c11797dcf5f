<?php

declare(strict_types=1);

namespace App\Civil;

use App\Civil\Models\CivilSurface;
use Parlay\Core\Civil\Surfaces\Contours;
use Parlay\Core\ListOf;

/** Contours of a surface. */
final readonly class ContourLines
{
    /** Larger surfaces would take longer than a request may. */
    private const MOST = 300_000;

    /** @param  list<ContourLine>  $lines */
    public function __construct(
        #[ListOf(ContourLine::class)]
        public array $lines,
    ) {}

    public static function of(CivilSurface $surface, float $interval): self
    {
        if ($surface->triangles > self::MOST) {
            throw new \DomainException('Contours are drawn of surfaces of up to 300,000 triangles. Show its bands of elevation instead.');
        }

        return new self(array_map(static function (array $level): ContourLine {
            $flat = [];
            foreach (array_chunk($level[1], 2) as [$n, $e]) {
                array_push($flat, round($e, 3), round($n, 3));
            }

            return new ContourLine($level[0], $flat);
        }, Contours::of($surface->surface(), $interval)));
    }
}
