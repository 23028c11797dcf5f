<?php

declare(strict_types=1);

namespace App\Instrument\Actions;

use App\Instrument\Models\Instrument;
use App\Instrument\Models\Target;
use App\Instrument\TypedInstrument;
use App\Instrument\TypedTarget;
use App\Projects\Hanging;
use App\Projects\Models\Project;
use App\Projects\PointName;
use App\Seen;
use Illuminate\Support\Facades\DB;
use Parlay\Core\Instrument\Atmosphere;
use Parlay\Core\Instrument\Target as SightedTarget;

/** Keeps an instrument or a target in the project's list. */
final class KeepEquipment
{
    public function instrument(Project $project, TypedInstrument $b, ?Instrument $existing): Instrument
    {
        foreach ([[$b->directionSeconds, 0.05, 60, 'The deviation of a direction', '″'], [
            $b->zenithSeconds, 0.05, 60, 'The deviation of a zenith angle', '″',
        ], [$b->distanceMillimetres, 0.05, 50, 'The deviation of a distance', 'mm'],
            [$b->distancePpm, 0, 50, 'The part of a distance’s deviation that grows', 'ppm'],
            [1000 * $b->centring, 0.0, 20, 'The centring', 'mm'], [1000 * $b->notchRadius, 0, 500, 'The notch’s radius', 'mm'],
            [1000 * $b->notchDrop, -500, 500, 'The notch’s drop', 'mm'], [$b->wavelength, 0.4, 1.6, 'The carrier’s wavelength', 'µm'],
            [$b->collimationSeconds, -600, 600, 'The collimation', '″'],
            [$b->indexSeconds, -600, 600, 'The index', '″']] as [$value, $low, $high, $what, $unit]) {
            if (! ($value >= $low && $value <= $high)) {
                throw new \DomainException(sprintf('%s must lie between %s and %s %s.', $what, $low, $high, $unit));
            }
        }
        new Atmosphere($b->referencePressure, $b->referenceTemperature, $b->referenceHumidity);

        return $this->keep(
            $project, $existing ?? new Instrument(['project_id' => $project->id]), self::instrumentColumns($b),
            $b->seen === null ? null : self::instrumentColumns($b->seen),
        );
    }

    /** @return array<string, mixed> */
    private static function instrumentColumns(TypedInstrument $b): array
    {
        return [
            'name' => PointName::checked($b->name), 'direction_seconds' => $b->directionSeconds,
            'zenith_seconds' => $b->zenithSeconds, 'distance_millimetres' => $b->distanceMillimetres,
            'distance_ppm' => $b->distancePpm, 'centring' => $b->centring, 'notch_radius' => $b->notchRadius, 'notch_drop' => $b->notchDrop,
            'collimation_seconds' => $b->collimationSeconds, 'index_seconds' => $b->indexSeconds, 'wavelength' => $b->wavelength,
            'reference_pressure' => $b->referencePressure,
            'calibrated_on' => self::day(trim($b->calibratedOn)), 'certificate' => self::line(trim($b->certificate)),
            'reference_temperature' => $b->referenceTemperature, 'reference_humidity' => $b->referenceHumidity,
        ];
    }

    private static function day(string $day): string
    {
        $read = \DateTimeImmutable::createFromFormat('!Y-m-d', $day);

        return $day === '' || ($read !== false && $read->format('Y-m-d') === $day) ? $day
            : throw new \DomainException("“{$day}” is no day. Write when it was calibrated as 2026-03-14, or leave it empty.");
    }

    private static function line(string $text): string
    {
        return mb_strlen($text) <= 60 && preg_match('~[\x00-\x1F\x7F]~', $text) !== 1 ? $text : throw new \DomainException('The number of a certificate is one line of at most 60 characters.');
    }

    public function target(Project $project, TypedTarget $b, ?Target $existing): Target
    {
        new SightedTarget($b->height, $b->prismConstant);

        return $this->keep(
            $project, $existing ?? new Target(['project_id' => $project->id]), self::targetColumns($b),
            $b->seen === null ? null : self::targetColumns($b->seen),
        );
    }

    /** @return array<string, mixed> */
    private static function targetColumns(TypedTarget $b): array
    {
        return [
            'name' => PointName::checked($b->name), 'kind' => $b->kind->value, 'prism_constant' => $b->prismConstant,
            'height' => $b->height,
        ];
    }

    /**
     * @template T of Instrument|Target
     *
     * @param  T  $row
     * @param  array<string, mixed>  $values
     * @param  array<string, mixed>|null  $seen
     * @return T
     */
    private function keep(Project $project, Instrument|Target $row, array $values, ?array $seen): Instrument|Target
    {
        return DB::transaction(static function () use ($project, $row, $values, $seen): Instrument|Target {
            if ($row->exists) {
                Seen::refuseOther($row->refresh(), $seen, $row->name);
            }
            if ($row->newQuery()->where('project_id', $project->id)->where('name', $values['name'])->whereKeyNot($row->id)->exists()) {
                throw new \DomainException("“{$values['name']}” is on the list already. Choose another name or change that one.");
            }
            $row->fill($values)->save();
            $project->changed();

            return $row;
        });
    }

    /** Takes it off the list; asks where setups name it. */
    public function drop(Project $project, Instrument|Target $row, bool $evenHeld): void
    {
        DB::transaction(static function () use ($project, $row, $evenHeld): void {
            if (! $evenHeld) {
                Hanging::ask($project, [$row->getTable() => [['id' => $row->id, 'name' => $row->name]]], 'This');
            }
            $row->delete();
            $project->changed();
        });
    }
}
