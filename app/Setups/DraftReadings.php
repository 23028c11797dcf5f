<?php

declare(strict_types=1);

namespace App\Setups;

use App\Instrument\Models\Observation;
use App\Projects\Models\Project;
use App\Setups\Actions\SetupDrafts;
use App\Setups\Models\Setup;
use Illuminate\Support\Facades\DB;

/**
 * How readings come into the setup being made: none is lost when the page is reloaded meanwhile, or when two people measure for one
 * setup.
 */
final class DraftReadings
{
    /**
     * As what a reading that is asked for now is wanted, to travel with the instruction.
     *
     * @param  string  $sighted  the line that is shot at, where it is no control point
     * @return array<string, mixed>|null null where it goes into the field book alone
     */
    public static function wanted(Project $project, Draft $draft, ?KeepIn $keepIn, ?int $controlId, string $sighted): ?array
    {
        if ($keepIn === null) {
            return null;
        }
        if ($keepIn === KeepIn::Shot ? trim($sighted) === '' : $controlId === null) {
            throw new \DomainException('Say which control point is sighted, or which line is shot at.');
        }

        return [
            'as' => $keepIn->value, 'controlId' => $controlId, 'line' => $sighted, 'method' => $draft->method->value,
            'setup' => Setup::current($project)->first()?->id,
        ];
    }

    /**
     * Puts a reading where it was wanted, unless another setup has been begun or accepted since.
     *
     * @param  array<string, mixed>  $wanted
     */
    public static function take(Project $project, Observation $reading, array $wanted): void
    {
        DB::transaction(static function () use ($project, $reading, $wanted): void {
            $draft = SetupDrafts::of($project);
            if ($draft->method->value !== $wanted['method'] || Setup::current($project)->first()?->id !== $wanted['setup']) {
                return;
            }
            $changed = match (KeepIn::from($wanted['as'])) {
                KeepIn::Sight => [
                    'sights' => [...self::others($draft, $wanted['controlId']), new DraftSight($wanted['controlId'], $reading->id)],
                ],
                KeepIn::Round => ['sights' => self::withRound($draft, $wanted['controlId'], $reading->id)],
                // A direction is given to one mark alone.
                KeepIn::Shot => ['shots' => [
                    ...($draft->method === SetupMethod::KnownDirection ? [] : $draft->shots),
                    new DraftShot($wanted['line'], $reading->id),
                ]],
            };
            SetupDrafts::keep($project, new Draft(...$changed + get_object_vars($draft)));
        });
    }

    /**
     * A change of the lists as it was meant: what came in since the sender looked is kept.
     *
     * @return array<string, list<DraftSight>|list<DraftShot>>
     */
    public static function meant(Draft $now, DraftChange $change): array
    {
        if ($change->seenReadings === null) {
            return [];
        }
        $seen = array_flip($change->seenReadings);
        $unseen = static fn (int $id): bool => ! isset($seen[$id]);
        $meant = [];
        if ($change->shots !== null) {
            $meant['shots'] = [
                ...$change->shots, ...array_values(array_filter($now->shots, static fn (DraftShot $s) => $unseen($s->observationId))),
            ];
        }
        if ($change->sights !== null) {
            $rounds = [];
            foreach ($now->sights as $s) {
                $rounds[$s->observationId] = array_filter($s->more, $unseen);
            }
            $sent = array_map(
                static fn (DraftSight $s) => self::with($s, ['more' => [...$s->more, ...array_values($rounds[$s->observationId] ?? [])]]),
                $change->sights,
            );
            $new = array_values(array_filter($now->sights, static fn (DraftSight $s) => $unseen($s->observationId)));
            $newMarks = array_map(static fn (DraftSight $s) => $s->controlId, $new);
            $meant['sights'] = [
                ...array_values(array_filter($sent, static fn (DraftSight $s) => ! in_array($s->controlId, $newMarks, true))), ...$new,
            ];
        }

        return $meant;
    }

    /** @return list<DraftSight> to other marks */
    private static function others(Draft $draft, int $controlId): array
    {
        return array_values(array_filter($draft->sights, static fn (DraftSight $s) => $s->controlId !== $controlId));
    }

    /** @return list<DraftSight> */
    private static function withRound(Draft $draft, int $controlId, int $reading): array
    {
        $known = array_filter($draft->sights, static fn (DraftSight $s) => $s->controlId === $controlId);

        return $known === [] ? [...$draft->sights, new DraftSight($controlId, $reading)]
            : array_map(
                static fn (DraftSight $s) => $s->controlId === $controlId ? self::with($s, ['more' => [...$s->more, $reading]]) : $s,
                $draft->sights,
            );
    }

    /** @param  array<string, mixed>  $changed */
    private static function with(DraftSight $s, array $changed): DraftSight
    {
        return new DraftSight(...$changed + get_object_vars($s));
    }
}
