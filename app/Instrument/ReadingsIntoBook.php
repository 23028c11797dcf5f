<?php

declare(strict_types=1);

namespace App\Instrument;

use App\Clock;
use App\Instrument\Models\Observation;
use App\Instrument\Models\QueuedInstruction;
use App\Projects\Models\Project;
use Illuminate\Support\Facades\DB;
use Parlay\Core\Instrument\Atmosphere;
use Parlay\Core\Instrument\InstrumentStatus;
use Parlay\Core\Instrument\RawReading;

/** Writes a measurement taken on purpose into the field book, once, with what it was taken for. */
final readonly class ReadingsIntoBook
{
    /** @param  iterable<TakesReading>  $takers */
    public function __construct(private iterable $takers) {}

    public function keep(QueuedInstruction $instruction, RawReading $raw, InstrumentStatus $status): Observation
    {
        $purpose = $instruction->purpose ?? throw new \LogicException('A measurement is asked for with its purpose.');

        return DB::transaction(fn (): Observation => $this->kept($instruction, $purpose, $raw, $status));
    }

    /** @param  array<string, mixed>  $purpose */
    private function kept(QueuedInstruction $instruction, array $purpose, RawReading $raw, InstrumentStatus $status): Observation
    {
        $observation = Observation::query()->firstOrCreate(['key' => $instruction->key], [
            'project_id' => $purpose['projectId'],
            'at' => Clock::stamp(),
            'purpose' => $purpose['purpose'],
            'sighted' => $purpose['sighted'],
            'setup_id' => $purpose['setupId'],
            'circle' => $raw->circle,
            'zenith' => $raw->zenith,
            'slope' => $raw->slope,
            'ppm_applied' => $raw->ppmApplied,
            'prism_constant_applied' => $raw->prismConstantApplied,
            'target_height' => $purpose['targetHeight'],
            'prism_constant' => $purpose['prismConstant'],
            'pressure' => $purpose['pressure'],
            'temperature' => $purpose['temperature'],
            'humidity' => $purpose['humidity'] ?? 0.6,
            'refraction' => $purpose['refraction'] ?? Atmosphere::REFRACTION,
            'ppm_given' => $purpose['ppm'] ?? null,
            'scale' => $purpose['scale'] ?? 1.0,
            'angles' => $purpose['angles'] ?? 1.0,
            'target_name' => $purpose['target'] ?? '',
            'instrument' => trim(($purpose['instrument'] ?? $status->model).' '.$status->serial),
            'serial' => $status->serial,
            'accuracy' => $purpose['accuracy'] ?? LiveStatus::toArray($status)['accuracy'],
        ]);
        $project = Project::query()->findOrFail($observation->project_id);
        foreach ($this->takers as $taker) {
            $taker->take($project, $observation, $instruction, $purpose);
        }
        $project->measured();

        return $observation;
    }
}
