<?php

declare(strict_types=1);

namespace Parlay\Core\Civil\Alignments;

/** A named place of an alignment: an end, or where one element goes over into the next. */
final readonly class MainPoint
{
    /** Nearer than this is there, metres. */
    private const HERE = 1e-6;

    /** @param  float  $along  metres from the start */
    private function __construct(public MainPointKind $kind, public float $along) {}

    /** The one that lies there, metres from the start. */
    public static function thatIs(Alignment $alignment, float $along): ?self
    {
        foreach (self::of($alignment) as $point) {
            if (abs($point->along - $along) < self::HERE) {
                return $point;
            }
        }

        return null;
    }

    /** @return list<self> in the order met, both ends with them */
    public static function of(Alignment $alignment): array
    {
        $points = [new self(MainPointKind::Start, 0.0)];
        for ($i = 1; $i < count($alignment->elements); $i++) {
            [$before, $after] = [$alignment->elements[$i - 1], $alignment->elements[$i]];
            $kind = MainPointKind::of($before, $after);
            $straightOn = $kind === MainPointKind::Angle
                && abs(Joint::between($before, $after, $i, 0.0)->kink) <= Alignment::SMOOTH;
            if (! $straightOn) {
                $points[] = new self($kind, $alignment->begins[$i]);
            }
        }

        return [...$points, new self(MainPointKind::End, $alignment->length)];
    }
}
