<?php

declare(strict_types=1);

namespace App\Cogo\Http;

use App\Cogo\Standing;
use Parlay\Core\Cogo\MadePlace;
use Parlay\Core\Cogo\Solution;
use Parlay\Core\Geometry\Leg;
use Parlay\Core\Geometry\Position;
use Parlay\Core\ListOf;

final readonly class MadeSolution
{
    /** Chords of 3 degrees, for the screen only. */
    private const CHORD = M_PI / 60;

    /**
     * @param  list<MadePlaceResource>  $places
     * @param  list<FigureResource>  $figures
     * @param  list<PathResource>  $drawn
     */
    public function __construct(
        public string $letter,
        public string $word,
        #[ListOf(MadePlaceResource::class)]
        public array $places,
        #[ListOf(FigureResource::class)]
        public array $figures,
        #[ListOf(PathResource::class)]
        public array $drawn,
    ) {}

    /** @param  callable(Position): Position  $elevated */
    public static function of(Solution $s, callable $elevated, Standing $standing): self
    {
        $place = static function (MadePlace $m) use ($elevated, $standing): MadePlaceResource {
            $p = $elevated($m->position);

            return new MadePlaceResource($p->northing, $p->easting, $p->elevation, $m->word, $standing->at($p));
        };

        return new self(
            $s->letter, $s->word, array_map($place, $s->places), array_map(FigureResource::of(...), $s->figures),
            array_map(self::path(...), $s->drawn),
        );
    }

    public static function path(Leg $leg): PathResource
    {
        $steps = $leg->isStraight() ? 1 : max(2, (int) ceil(abs($leg->sweep) / self::CHORD));
        $flat = [];
        for ($i = 0; $i <= $steps; $i++) {
            $p = $leg->at($leg->length() * $i / $steps);
            array_push($flat, $p->easting, $p->northing);
        }

        return new PathResource($flat, $leg->length(), $leg->at(0.0)->azimuthTo($leg->at($leg->length())));
    }
}
