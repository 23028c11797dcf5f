<?php

declare(strict_types=1);

namespace App\Setups\Models;

use Illuminate\Database\Eloquent\Model;

/** The setup being made: survives a reload and a flat battery. */
final class SetupDraft extends Model
{
    public $timestamps = false;

    public $incrementing = false;

    protected $primaryKey = 'project_id';

    protected $casts = ['content' => 'array'];
}
