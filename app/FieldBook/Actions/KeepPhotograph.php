<?php

declare(strict_types=1);

namespace App\FieldBook\Actions;

use App\Clock;
use App\Database\Bytes;
use App\FieldBook\Models\Photograph;
use App\FieldBook\PhotographToKeep;
use App\FieldBook\Picture;
use App\Instrument\Models\Observation;
use App\KeyTaken;
use App\Projects\Models\Project;
use App\Projects\Uploads;
use Illuminate\Support\Facades\DB;

/** Keeps a picture with the reading that it was taken at, and takes it away again. */
final class KeepPhotograph
{
    /** Of one reading. */
    private const MOST = 12;

    public function keep(Project $project, PhotographToKeep $wanted): Photograph
    {
        $stored = $this->stored($project, $wanted->key);
        if ($stored !== null) {
            KeyTaken::unlessSame('photograph', ['reading' => $stored->observation_id, 'caption' => $stored->caption], ['reading' => $wanted->observationId, 'caption' => $wanted->caption]);

            return $stored;
        }
        Observation::query()->where('project_id', $project->id)->find($wanted->observationId) ?? throw new \DomainException('That reading is not in the field book. Measure the shot again, then keep its picture.');
        Uploads::require($wanted->upload, $project);
        $bytes = Picture::of((string) file_get_contents(Uploads::path($wanted->upload)));
        $size = getimagesizefromstring($bytes) ?: throw new \LogicException('It was just drawn.');
        $kept = DB::transaction(function () use ($project, $wanted, $bytes, $size): Photograph {
            if (Photograph::of($project)->where('observation_id', $wanted->observationId)->count() >= self::MOST) {
                throw new \DomainException('A reading has at most '.self::MOST.' pictures. Take one away first.');
            }
            $row = Photograph::query()->create([
                'project_id' => $project->id, 'observation_id' => $wanted->observationId, 'key' => $wanted->key, 'at' => Clock::stamp(), 'caption' => trim($wanted->caption),
                'wide' => $size[0], 'high' => $size[1], 'checksum' => hash('sha256', $bytes), 'bytes' => Bytes::stream($bytes),
            ]);
            $project->measured();

            return $row;
        });
        // Its pixels are kept, the file is of no more use.
        Uploads::forget($wanted->upload);

        return $kept;
    }

    public function forget(Project $project, int $photograph): void
    {
        DB::transaction(static function () use ($project, $photograph): void {
            Photograph::of($project)->select('id')->findOrFail($photograph)->delete();
            $project->measured();
        });
    }

    private function stored(Project $project, string $key): ?Photograph
    {
        return Photograph::of($project)->select(Photograph::LISTED)->where('key', $key)->first();
    }
}
