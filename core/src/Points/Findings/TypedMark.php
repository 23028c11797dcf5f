<?php

declare(strict_types=1);

namespace Parlay\Core\Points\Findings;

use Parlay\Core\Geometry\Position;
use Parlay\Core\Points\PointRow;
use Parlay\Core\Units\LengthUnit;

/** One mark that is typed, held against what the project has, as a list would be. The bounds are common sense, no source. */
final readonly class TypedMark
{
    /** A mark stands off where it lies farther from all else than so many sizes of that, and than this, metres. */
    private const SIZES = 5.0;

    private const FARTHEST = 1000.0;

    /**
     * @param  list<Finding>  $findings  as of a list
     * @param  float|null  $away  metres from all else; null where that is no matter
     * @param  bool  $noElevation  all others have one
     */
    private function __construct(public array $findings, public ?float $away, public bool $noElevation) {}

    /**
     * @param  list<PointRow>  $others  control of the project
     * @param  LengthUnit  $unit  in which it is typed
     */
    public static function examine(string $name, Position $place, array $others, Surroundings $around, LengthUnit $unit): self
    {
        $written = static fn (float $metres): string => rtrim(rtrim(number_format($metres / $unit->metres(), 4, '.', ''), '0'), '.');
        $line = count($others) + 1;
        $row = new PointRow($line, $name, $place, '', '', $written($place->northing), $written($place->easting));
        $findings = array_values(array_filter(
            ListCheck::examine([...$others, $row], $unit, '.', $around)->findings, static fn (Finding $f) => in_array($line, $f->rows, true),
        ));
        $high = array_filter($others, static fn (PointRow $r) => $r->position->elevation !== null);

        return new self(
            $findings, $findings === [] ? self::away($place, $others, $around) : null,
            $place->elevation === null && $others !== [] && count($high) === count($others),
        );
    }

    public function isDoubtful(): bool
    {
        return $this->findings !== [] || $this->away !== null || $this->noElevation;
    }

    /** @param  list<PointRow>  $others */
    private static function away(Position $place, array $others, Surroundings $around): ?float
    {
        $boxes = $around->extent === null ? [] : [$around->extent];
        foreach ($others as $o) {
            $boxes[] = [$o->position->easting, $o->position->northing, $o->position->easting, $o->position->northing];
        }
        if ($boxes === []) {
            return null;
        }
        [$west, $south, $east, $north] = [min(array_column($boxes, 0)), min(array_column($boxes, 1)), max(array_column($boxes, 2)), max(array_column($boxes, 3))];
        $away = hypot(max(0.0, $west - $place->easting, $place->easting - $east), max(0.0, $south - $place->northing, $place->northing - $north));

        return $away > max(self::FARTHEST, self::SIZES * hypot($east - $west, $north - $south)) ? $away : null;
    }
}
