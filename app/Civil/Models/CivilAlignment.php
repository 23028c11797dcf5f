<?php

declare(strict_types=1);

namespace App\Civil\Models;

use App\Civil\RoadShapes;
use App\Projects\Models\Project;
use Illuminate\Database\Eloquent\Model;
use Parlay\Core\Civil\Alignments\Alignment;
use Parlay\Core\Civil\Alignments\AlignmentRecord;
use Parlay\Core\Civil\Profiles\Profile;
use Parlay\Core\Civil\Profiles\ProfileRecord;
use Parlay\Core\Civil\Roads\Road;
use Parlay\Core\Civil\Roads\RoadShape;

/** An alignment of the project, with its profiles and what lies across it. */
final class CivilAlignment extends Model
{
    protected $table = 'alignments';

    public $timestamps = false;

    protected $attributes = ['visible' => true, 'version' => 1, 'description' => '', 'source' => '', 'design_id' => null, 'given' => null];

    protected $casts = [
        'visible' => 'boolean', 'version' => 'integer', 'length' => 'float', 'extent' => 'array', 'record' => 'array', 'profiles' => 'array',
        'shapes' => 'array', 'given' => 'array', 'remarks' => 'array', 'design_id' => 'integer',
    ];

    public static function inProject(Project $project, int $id): self
    {
        return self::query()->where('project_id', $project->id)->whereNull('removed_at')->findOrFail($id);
    }

    public function alignment(): Alignment
    {
        return AlignmentRecord::read($this->record);
    }

    /** @return list<Profile> designed and of the ground, by their numbers */
    public function profileList(): array
    {
        return array_map(ProfileRecord::read(...), $this->profiles);
    }

    public function profile(?int $number): ?Profile
    {
        return $number === null || ! isset($this->profiles[$number]) ? null : ProfileRecord::read($this->profiles[$number]);
    }

    public function shape(?int $number): ?RoadShape
    {
        return $number === null || ! isset($this->shapes[$number]) ? null : RoadShapes::read($this->shapes[$number]);
    }

    public function road(?int $profile, ?int $shape): Road
    {
        return new Road($this->alignment(), $this->profile($profile), $this->shape($shape));
    }

    /** The first that is designed; null where there is none. */
    public function designedProfile(): ?int
    {
        foreach ($this->profiles as $i => $profile) {
            if (! $profile['ground']) {
                return $i;
            }
        }

        return null;
    }
}
