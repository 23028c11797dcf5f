<?php

declare(strict_types=1);

namespace Parlay\Core\Stakeout;

use Parlay\Core\Geometry\Position;
use Parlay\Core\Points\NearestNext;

/**
 * The order in which a run goes over its points. What belongs together by name (`12.1` and `12.2`, `12 left` and `12 right`, collar and toe)
 * goes together, or out along one side and back along the other.
 */
enum RunOrder: string
{
    case Listed = 'listed';
    case Nearest = 'nearest';
    case Walk = 'walk';
    /** the first of each pair out along one wall, the second back along the other */
    case OutAndBack = 'out_and_back';

    private const ENDING = '~[\s._/-]*(?:[0-9]{1,2}|[a-z]|left|right|collar|toe|start|end|top|bottom)$~iu';

    /**
     * @param  list<string>  $names
     * @param  list<Position>  $places  of the same
     * @return list<int> their numbers in the order in which they are taken
     */
    public function of(array $names, array $places, Position $from): array
    {
        $units = self::together($names);
        if ($this === self::OutAndBack) {
            return [...array_column($units, 0), ...array_merge(...array_map(
                static fn (array $unit) => array_slice($unit, 1), array_reverse($units),
            ))];
        }
        $starts = array_map(static fn (array $unit) => $places[$unit[0]], $units);
        $order = match ($this) {
            self::Nearest => array_map(static fn (int $i) => $i - 1, array_slice(NearestNext::of([$from, ...$starts], 0), 1)),
            self::Walk => ShortWalk::from($from, $starts)[0],
            default => array_keys($units),
        };

        return array_merge(...array_map(static fn (int $i) => $units[$i], $order));
    }

    /**
     * Of each, the other one of its pair; null where it has none.
     *
     * @param  list<string>  $names
     * @return list<int|null>
     */
    public static function partners(array $names): array
    {
        $partners = array_fill(0, count($names), null);
        foreach (self::together($names) as $unit) {
            if (count($unit) === 2) {
                [$partners[$unit[0]], $partners[$unit[1]]] = [$unit[1], $unit[0]];
            }
        }

        return array_values($partners);
    }

    /**
     * What is called alike but for its last part, where that begins after a mark between or a digit before a letter; in the order listed.
     *
     * @param  list<string>  $names
     * @return list<non-empty-list<int>>
     */
    private static function together(array $names): array
    {
        $stems = [];
        foreach ($names as $i => $name) {
            $stems[self::stem($name)][] = $i;
        }
        $units = [];
        foreach ($names as $i => $name) {
            $alike = $stems[self::stem($name)];
            // A pair is two: what twenty are called alike is a number in turn.
            if (count($alike) !== 2 || $alike[0] === $i) {
                $units[] = count($alike) === 2 ? $alike : [$i];
            }
        }

        return $units;
    }

    private static function stem(string $name): string
    {
        $stem = preg_replace(self::ENDING, '', $name, 1) ?? $name;
        $ending = substr($name, strlen($stem));
        // A running number alone makes no pair: only one set off by a mark, or a word.
        $setOff = $stem !== '' && preg_match('~^[\s._/-]|^[a-z]{2}~iu', $ending) === 1;

        return $setOff ? $stem : $name;
    }
}
