<?php

declare(strict_types=1);

namespace App\Civil;

use Parlay\Core\Civil\Profiles\ProfileRecord;
use Parlay\Core\ListOf;

/** A profile of an alignment, to be drawn and to be changed. */
final readonly class HeightLine
{
    private const STEPS = 24;

    /**
     * @param  bool  $ground  of a surface, not designed
     * @param  list<float>  $line  metres from the start and elevation in turn
     * @param  list<TypedVertex>  $vertices
     */
    public function __construct(
        public string $name,
        public bool $ground,
        public float $from,
        public float $to,
        #[ListOf('float')]
        public array $line,
        #[ListOf(TypedVertex::class)]
        public array $vertices,
    ) {}

    /** @param  array<string, mixed>  $kept */
    public static function of(array $kept): self
    {
        $profile = ProfileRecord::read($kept);
        $stops = [$profile->from(), $profile->to()];
        foreach ($profile->points() as $point) {
            $stops[] = $point->along;
        }
        sort($stops);
        $line = [];
        foreach ($stops as $i => $stop) {
            $before = $stops[$i - 1] ?? $stop;
            $curved = $stop > $before && abs((float) $profile->gradeAt($stop - 1e-4 * ($stop - $before)) - (float) $profile->gradeAt($before + 1e-4 * ($stop - $before))) > 1e-9;
            foreach ($curved ? range(1, self::STEPS) : [self::STEPS] as $k) {
                $along = $before + ($stop - $before) * $k / self::STEPS;
                array_push($line, $along, (float) $profile->elevationAt($along));
            }
        }

        return new self(
            $profile->name, $kept['ground'], $profile->from(), $profile->to(), $line,
            $kept['ground'] ? [] : array_map(TypedVertex::of(...), $profile->vertices),
        );
    }
}
