<?php

declare(strict_types=1);

namespace App\Stakeout;

use App\Stakeout\Models\KeptAim;
use Parlay\Core\Geometry\Leg;
use Parlay\Core\Geometry\PackedPolyline;
use Parlay\Core\Geometry\Position;
use Parlay\Core\ListOf;

/** A line that is staked, as the screen draws it. */
final readonly class AimLine
{
    /** Largest angle that is drawn as one chord, radians. */
    private const CHORD = 0.03;

    private const MOST_CHORDS = 300;

    /**
     * start, end: of the parallel that is staked now. endHeights: whether both ends of the line have a height. flat: the parallel as it is
     * drawn, easting and northing in turn; touched: the line that was touched. length: metres.
     *
     * @param  list<float>  $flat
     * @param  list<float>  $touched
     */
    public function __construct(
        public LineLay $lay,
        public float $length,
        public bool $closed,
        public int $pieces,
        public Position $start,
        public Position $end,
        public bool $endHeights,
        #[ListOf('float')]
        public array $flat,
        #[ListOf('float')]
        public array $touched,
    ) {}

    public static function of(KeptAim $a): self
    {
        $line = $a->line();
        $touched = $a->touchedLine();

        return new self(
            lay: $a->lay(),
            length: $line->length,
            closed: $line->closed,
            pieces: $line->count,
            start: $line->beginning(),
            end: $line->end(),
            endHeights: $touched->beginning()->elevation !== null && $touched->end()->elevation !== null,
            flat: self::chords($line),
            touched: $a->lay()->current()->offset === 0.0 ? [] : self::chords($touched),
        );
    }

    /** @return list<float> */
    private static function chords(PackedPolyline $line): array
    {
        $flat = [$line->beginning()->easting, $line->beginning()->northing];
        for ($i = 0; $i < $line->count; $i++) {
            $leg = $line->leg($i);
            $steps = self::steps($leg);
            for ($k = 1; $k <= $steps; $k++) {
                $p = $leg->at($leg->length() * $k / $steps);
                array_push($flat, $p->easting, $p->northing);
            }
        }

        return $flat;
    }

    private static function steps(Leg $leg): int
    {
        return $leg->isStraight() ? 1 : min(self::MOST_CHORDS, max(2, (int) ceil(abs($leg->sweep) / self::CHORD)));
    }
}
