<?php

declare(strict_types=1);

namespace App\Worklists\Models;

use App\Projects\Models\OfProject;
use Illuminate\Database\Eloquent\Model;

/** Points to be staked together, in the order in which they are to be staked. */
final class Worklist extends Model
{
    use OfProject;

    public $timestamps = false;

    /** What the database sets where nothing is said. */
    protected $attributes = ['skipped' => '[]', 'judged' => ''];

    protected $casts = ['point_ids' => 'array', 'skipped' => 'array'];
}
