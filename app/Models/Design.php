<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\HasMany;

final class Design extends Model
{
    public $timestamps = false;

    protected $casts = ['remarks' => 'array'];

    /**
     * Without their packed shapes, which are fetched a layer at a time.
     *
     * @return HasMany<DesignLayer, $this>
     */
    public function layers(): HasMany
    {
        return $this->hasMany(DesignLayer::class)->select(['id', 'design_id', 'name', 'colour', 'visible', 'count', 'kinds', 'strings', 'extent'])->orderBy('id');
    }
}
