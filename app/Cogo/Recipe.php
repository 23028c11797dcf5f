<?php

declare(strict_types=1);

namespace App\Cogo;

use App\Designs\TouchedSpot;
use App\Typed\Values;
use Parlay\Core\Cogo\ConstructionKind;
use Parlay\Core\Geometry\Position;

/** How a point was made, as it is kept with it: the construction, which of its places it is, and where its elevation comes from. */
final readonly class Recipe
{
    public function __construct(
        public string $description,
        public Construction $construction,
        public string $letter = 'A',
        public int $index = 0,
        public ?ElevationWanted $elevation = null,
    ) {}

    /**
     * As it was kept; null for points that were typed or came from a file.
     *
     * @param  array<string, mixed>|null  $row
     */
    public static function kept(?array $row): ?self
    {
        if (isset($row['spot'])) {
            // Before there were other constructions, a touched spot was kept by itself.
            $spot = Values::of((array) $row['spot'], TouchedSpot::class);

            return new self((string) $row['description'], new Construction(ConstructionKind::Place, [new GivenPlace(spot: $spot)]));
        }
        if (! isset($row['construction'])) {
            return null;
        }

        return new self(
            (string) ($row['description'] ?? ''),
            Values::of($row['construction'], Construction::class), (string) $row['letter'], (int) $row['index'],
            isset($row['elevation']) ? Values::of($row['elevation'], ElevationWanted::class) : null,
        );
    }

    /** @return array<string, mixed> */
    public function row(): array
    {
        return [
            'description' => $this->description, 'construction' => self::compact($this->construction), 'letter' => $this->letter,
            'index' => $this->index,
        ]
            + ($this->elevation === null ? [] : ['elevation' => self::compact($this->elevation)]);
    }

    /**
     * A new stakeout point made by this recipe, as the database keeps it.
     *
     * @return array<string, mixed>
     */
    public function point(int $projectId, string $name, Position $at, string $code, string $description): array
    {
        $place = $this->construction->kind === ConstructionKind::Place ? $this->construction->places[0] ?? null : null;
        $origin = isset($place->spot) ? 'drawing' : (isset($place->element) ? 'model' : 'computed');

        return [
            'project_id' => $projectId, 'name' => $name,
            'northing' => $at->northing, 'easting' => $at->easting, 'elevation' => $at->elevation,
            'code' => $code, 'description' => $description, 'origin' => $origin,
            'recipe' => json_encode($this->row(), JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_PRESERVE_ZERO_FRACTION),
        ];
    }

    public function elevated(Position $made, Givens $givens): Position
    {
        return self::withElevation($this->elevation, $made, $givens);
    }

    public static function withElevation(?ElevationWanted $e, Position $made, Givens $givens): Position
    {
        return $e === null ? $made : $e->rule->apply(
            $made, $e->value, $e->from === null ? null : $givens->place($e->from), $e->to === null ? null : $givens->place($e->to),
        );
    }

    /** Only what says something: most fields of a construction are empty. */
    public static function compact(mixed $value): mixed
    {
        if ($value instanceof \BackedEnum) {
            return $value->value;
        }
        if (is_object($value)) {
            $value = array_filter(get_object_vars($value), static fn (mixed $v) => $v !== null && $v !== []);
        }

        return is_array($value) ? array_map(self::compact(...), $value) : $value;
    }
}
