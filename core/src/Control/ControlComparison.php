<?php

declare(strict_types=1);

namespace Parlay\Core\Control;

use Parlay\Core\Geometry\Position;

/** A reissued list of control held against the one in use: what moved and by how much, what is new, what is gone. */
final readonly class ControlComparison
{
    /** Less is the same figure written with other digits, metres. */
    private const SAME = 5e-5;

    /**
     * @param  list<array{name: string, from: Position, to: Position, plan: float, height: float|null}>  $moved  height: rise, null
     *     where one of both has none
     * @param  list<string>  $new
     * @param  list<string>  $gone
     */
    private function __construct(
        public array $moved,
        public array $new,
        public array $gone,
        public int $same,
    ) {}

    /**
     * @param  array<string, Position>  $inUse  by name
     * @param  array<string, Position>  $reissued
     */
    public static function of(array $inUse, array $reissued): self
    {
        $moved = [];
        foreach (array_intersect_key($reissued, $inUse) as $name => $to) {
            $from = $inUse[$name];
            $rise = $from->elevation === null || $to->elevation === null ? null : $to->elevation - $from->elevation;
            $heightChanged = $rise === null ? $from->elevation !== $to->elevation : abs($rise) >= self::SAME;
            if ($from->distanceTo($to) >= self::SAME || $heightChanged) {
                $moved[] = ['name' => (string) $name, 'from' => $from, 'to' => $to, 'plan' => $from->distanceTo($to), 'height' => $rise];
            }
        }
        $names = static fn (array $points): array => array_map(strval(...), array_keys($points));

        return new self(
            $moved, $names(array_diff_key($reissued, $inUse)), $names(array_diff_key($inUse, $reissued)),
            count(array_intersect_key($reissued, $inUse)) - count($moved),
        );
    }
}
