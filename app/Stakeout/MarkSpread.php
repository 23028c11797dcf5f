<?php

declare(strict_types=1);

namespace App\Stakeout;

use App\Instrument\Models\Observation;
use App\Setups\Models\Setup;
use App\Stakeout\Models\Mark;
use App\Typed\Values;
use Illuminate\Support\Facades\DB;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Setups\UnreadableRecord;
use Parlay\Core\Stakeout\DeviationSpread;

/** How far the deviation of a mark may be wrong: from its reading and its setup, kept with it. */
final class MarkSpread
{
    /** Null where there is no design to deviate from. */
    public static function of(Setup $setup, MeasuredBy $by, ?Position $design, ?Aimed $aimed): ?DeviationSpread
    {
        return $design === null ? null : DeviationSpread::of($by->spread($setup), $by->place($setup->station()), static fn (Position $p): Position => $aimed?->designedAt($design, $p) ?? $design);
    }

    /** @param  array<mixed>  $kept */
    public static function read(array $kept): DeviationSpread
    {
        return Values::of($kept, DeviationSpread::class);
    }

    /**
     * Gives marks of earlier versions, which kept none, theirs: with three questions to the database however many they are. One that can't be worked out has none.
     *
     * @param  iterable<Mark>  $marks
     */
    public static function complete(iterable $marks): void
    {
        $without = [];
        foreach ($marks as $m) {
            // What is found from several shots was kept with its spread from the first.
            if ($m->spread === null && $m->found_from === null && $m->design() !== null) {
                $without[] = $m;
            }
        }
        $without = self::fromBeside($without);
        if ($without === []) {
            return;
        }
        $setups = Setup::query()->whereIntegerInRaw('id', array_unique(array_map(static fn (Mark $m): int => $m->setup_id, $without)))->get()->keyBy('id');
        $readings = Observation::query()->whereIntegerInRaw('id', array_map(static fn (Mark $m): int => $m->observation_id, $without))->get()->keyBy('id');
        foreach ($without as $m) {
            [$setup, $reading] = [$setups->get($m->setup_id), $readings->get($m->observation_id)];
            try {
                $setup === null || $reading === null || self::give($m, (array) self::of($setup, MeasuredBy::prism($reading, $m->offsetShot()), $m->design(), $m->aimed()));
            } catch (UnreadableRecord) {
                continue;
            }
        }
    }

    /**
     * What was worked out when Parlay started (SpreadsOfEarlierMarks).
     *
     * @param  list<Mark>  $marks
     * @return list<Mark> those that are not there
     */
    private static function fromBeside(array $marks): array
    {
        $kept = $marks === [] ? [] : DB::table('mark_spreads')->whereIntegerInRaw('mark_id', array_map(static fn (Mark $m): int => $m->id, $marks))->pluck('spread', 'mark_id')->all();
        foreach ($marks as $m) {
            isset($kept[$m->id]) && self::give($m, (array) json_decode((string) $kept[$m->id], true));
        }

        return array_values(array_filter($marks, static fn (Mark $m): bool => $m->spread === null));
    }

    /** @param  array<mixed>  $spread */
    private static function give(Mark $m, array $spread): Mark
    {
        return $m->setAttribute('spread', $spread)->syncOriginalAttribute('spread');
    }
}
