<?php

declare(strict_types=1);

namespace App\Reports\Models;

use App\Projects\Models\OfProject;
use App\Projects\Models\Project;
use App\Reports\Paper;
use Illuminate\Database\Eloquent\Model;

/** Who hands over, at the head of what is printed, and the paper. */
final class Letterhead extends Model
{
    use OfProject;

    public $timestamps = false;

    /** What the database sets where nothing is said. */
    protected $attributes = ['firm' => '', 'address' => '', 'paper' => 'a4', 'logo' => null];

    protected $casts = ['paper' => Paper::class];

    /** An empty one where none was made. */
    public static function in(Project $project): self
    {
        return self::of($project)->first() ?? new self(['project_id' => $project->id]);
    }

    public function isEmpty(): bool
    {
        return $this->firm === '' && $this->address === '' && $this->logo === null;
    }

    /** The picture as a page holds it; empty where there is none. */
    public function picture(): string
    {
        return $this->logo === null ? '' : 'data:image/png;base64,'.base64_encode($this->logo);
    }
}
