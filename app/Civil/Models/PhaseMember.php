<?php

declare(strict_types=1);

namespace App\Civil\Models;

use Illuminate\Database\Eloquent\Model;

/** A drawing, an alignment or a surface, and whether it is shown in a phase. */
final class PhaseMember extends Model
{
    public $timestamps = false;

    protected $attributes = ['design_id' => null, 'alignment_id' => null, 'surface_id' => null];

    protected $casts = ['design_id' => 'integer', 'alignment_id' => 'integer', 'surface_id' => 'integer', 'shown' => 'boolean'];
}
