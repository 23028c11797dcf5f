<?php

declare(strict_types=1);

namespace App\Civil\Models;

use App\Projects\Models\OfProject;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\HasMany;

/** Designs that belong together under a name: which drawing and surface are worked with, and what is shown beside them. */
final class Phase extends Model
{
    use OfProject;

    public $timestamps = false;

    protected $attributes = ['design_id' => null, 'surface_id' => null, 'vertical_offset' => 0.0];

    protected $casts = ['design_id' => 'integer', 'surface_id' => 'integer', 'vertical_offset' => 'float'];

    /** @return HasMany<PhaseMember, $this> */
    public function members(): HasMany
    {
        return $this->hasMany(PhaseMember::class)->orderBy('id');
    }
}
